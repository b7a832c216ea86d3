<?php

declare(strict_types=1);

namespace App\View\Versions;

use App\Models\User;
use App\Models\Version;

/** The versions of one sitting in the list of all. */
final readonly class SittingLines
{
    /** The line that stands for all of it: of what is worth a look, or else of the most words. */
    public VersionLine $telling;

    /** @param non-empty-list<VersionLine> $lines the newest first */
    public function __construct(public array $lines)
    {
        $weight = fn (VersionLine $line): array => [$line->version->unusual !== null, $line->version->added + $line->version->removed];
        $this->telling = array_reduce(
            $lines,
            fn (VersionLine $most, VersionLine $line): VersionLine => $weight($line) > $weight($most) ? $line : $most,
            $lines[0],
        );
    }

    public function newest(): Version
    {
        return $this->lines[0]->version;
    }

    public function oldest(): Version
    {
        return $this->lines[count($this->lines) - 1]->version;
    }

    /** @return list<User> each once */
    public function editors(): array
    {
        return array_values(
            array_column(array_map(fn (VersionLine $line): array => [$line->version->user->id, $line->version->user], $this->lines), 1, 0),
        );
    }

    /** @return list<string> names of its milestones */
    public function milestones(): array
    {
        return array_values(
            array_filter(array_map(fn (VersionLine $line): ?string => $line->version->milestone?->name, $this->lines), is_string(...)),
        );
    }
}
