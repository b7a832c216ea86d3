<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\ItemRequest;
use App\Models\User;
use Carbon\CarbonImmutable;

/** Whose changes to the entries of a form, and of which time: days or minutes. */
class EntryChangesRequest extends ItemRequest
{
    protected const RIGHT = 'entries';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'by' => ['nullable', 'integer'],
            'since' => ['nullable', 'regex:/^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/', 'date'],
            'until' => ['nullable', 'regex:/^\d{4}-\d\d-\d\d(T\d\d:\d\d)?$/', 'date'],
        ];
    }

    /** What is asked for, of $else when nobody is named; null when there is nobody. */
    public function changes(?User $else = null): ?EntryChanges
    {
        $sent = $this->validated();
        $author = isset($sent['by']) ? User::query()->find((int) $sent['by']) : $else;

        return $author === null ? null : new EntryChanges(
            $this->item(),
            $author,
            self::moment($sent['since'] ?? '', '+0'),
            self::moment($sent['until'] ?? '', '+1'),
        );
    }

    /** Both ends are in: the day, or the minute. */
    private static function moment(string $text, string $step): ?CarbonImmutable
    {
        return $text === ''
            ? null
            : CarbonImmutable::parse($text)->modify(strlen($text) === 10 ? "{$step} day" : "{$step} minute");
    }
}
