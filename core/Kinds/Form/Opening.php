<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;

/** When and from whom a form takes answers, by its settings. */
final readonly class Opening
{
    public function __construct(private ?Part $settings) {}

    /**
     * @param  string  $today  ISO 8601
     * @param  string|null  $email  of who wants to answer; null without an account
     * @return 'opens'|'closes'|'shelf'|'named'|'once'|null why it takes none; null when it does
     */
    public function closed(string $today, ?string $email, bool $hasAnswered): ?string
    {
        $audience = $this->settings?->string('audience') ?? 'anyone';

        return match (true) {
            $this->date('opens') !== '' && $today < $this->date('opens') => 'opens',
            $this->date('closes') !== '' && $today > $this->date('closes') => 'closes',
            $audience !== 'anyone' && $email === null => 'shelf',
            $audience === 'named' && ! $this->names((string) $email) => 'named',
            ($this->settings->fields['once'] ?? false) === true && $hasAnswered => 'once',
            default => null,
        };
    }

    /** Whether it is for named people, and this is one of them. */
    public function names(string $email): bool
    {
        return $this->settings?->string('audience') === 'named'
            && in_array(mb_strtolower($email), array_map(mb_strtolower(...), $this->settings->strings('people')), true);
    }

    /** @param 'opens'|'closes' $end */
    public function date(string $end): string
    {
        return Cell::show($this->settings->fields[$end] ?? null);
    }
}
