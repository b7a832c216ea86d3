<?php

declare(strict_types=1);

namespace App\View\Desks;

use App\Making\MakeItem;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Limits;

/** The texts of an item, one after another. */
final readonly class VisitorTexts implements VisitorForm
{
    private PartFields $fields;

    /** @param int $from how many texts are before those of this page */
    public function __construct(private Kind $kind, private PartTree $tree, private int $from)
    {
        $this->fields = new PartFields($kind, $tree);
    }

    public function view(): string
    {
        return 'visitor-texts';
    }

    public function pages(): array
    {
        $count = count($this->texts());

        return $count <= self::MOST
            ? []
            : array_map(
                fn (int $from): array => [
                    'name' => (string) __('proposing.link.texts', [
                        'from' => (string) ($from + 1),
                        'to' => (string) min($from + self::MOST, $count),
                    ]),
                    'asks' => ['from' => (string) $from],
                    'isHere' => $from === $this->start($count),
                ],
                range(0, $count - 1, self::MOST),
            );
    }

    public function takesMore(): bool
    {
        return $this->atTheEnd() !== null;
    }

    public function problem(array $parts): ?string
    {
        return null;
    }

    /** @return list<array{Part, string, string}> those of this page: the part, the field, and what is in it */
    public function shown(): array
    {
        $texts = $this->texts();

        return array_slice($texts, $this->start(count($texts)), self::MOST);
    }

    public function read(array $parts, string $added): ?PartTree
    {
        // Nothing but what is shown, whatever was sent.
        $sent = [];
        foreach ($this->texts() as [$part, $name]) {
            $text = is_array($parts[$part->id] ?? null) ? $parts[$part->id][$name] ?? null : null;
            $text === null || $sent[$part->id][$name] = $text;
        }
        $content = $this->fields->read($sent, [], '', '');
        foreach (
            array_filter(array_map(trim(...), explode("\n", str_replace("\r", '', $added))), fn (string $text) => $text !== '') as $text
        ) {
            $content[] = [MakeItem::partId(), (string) $this->atTheEnd(), 0, ['text' => ['runs' => [[$text]]]]];
        }
        $tree = $this->kind->read($content, Limits::for($this->kind))->tree;

        return $tree === null || $tree->equals($this->tree) ? null : $tree;
    }

    private function start(int $count): int
    {
        return $this->from < $count ? intdiv(max(0, $this->from), self::MOST) * self::MOST : 0;
    }

    /** @return list<array{Part, string, string}> */
    private function texts(): array
    {
        $texts = [];
        foreach ($this->tree->parts as $part) {
            foreach ($this->fields->of($part) as $name => [$way, $value]) {
                if ($way === 'text' && is_string($value) && $value !== '') {
                    $texts[] = [$part, $name, $value];
                }
            }
        }

        return $texts;
    }

    /** The role of a text that is put at the end, of kinds that are one; null for others. */
    private function atTheEnd(): ?string
    {
        $blank = $this->kind->blank('blank')->parts[0] ?? null;

        return ($blank->fields['text'] ?? null) instanceof RichText && $blank?->depth === 0 ? $blank->role : null;
    }
}
