<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use App\Store\WhatIsKept;
use Illuminate\Validation\Rule;
use MistyAttic\Core\History\Keeping\Pace;

/**
 * Keeping rules as a form sends them: how soon, how long everything, two steps of thinning, how many at most, and in how many bytes.
 *
 * @phpstan-import-type Values from WhatIsKept
 */
trait RulesAsked
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $days = ['nullable', Rule::in(WhatIsKept::DAYS)];
        $pace = ['nullable', Rule::enum(Pace::class)];

        return [
            'leave' => ['nullable', Rule::in([...WhatIsKept::LEAVE, (int) config('attic.checkpoint')])],
            'every' => $days,
            'most' => ['nullable', Rule::in(WhatIsKept::MOST)],
            'bytes' => ['nullable', Rule::in(WhatIsKept::BYTES)],
            'pace1' => $pace,
            'days1' => $days,
            'pace2' => $pace,
            'days2' => $days,
            'do' => ['nullable', Rule::in(['rehearse', 'keep', 'above'])],
        ];
    }

    public function isTried(): bool
    {
        return $this->filled('leave');
    }

    /** @return Values */
    public function values(): array
    {
        $number = fn (string $name): ?int => $this->filled($name) ? $this->integer($name) : null;
        $then = [];
        foreach ([1, 2] as $step) {
            if (
                $number('every') !== null
                && $this->filled("pace{$step}")
                && $this->string("pace{$step}")->toString() !== Pace::None->value
            ) {
                $then[] = [$this->string("pace{$step}")->toString(), $number("days{$step}")];
            }
        }

        return [
            'leave' => $this->integer('leave'),
            'every' => $number('every'),
            'then' => $then,
            'most' => $number('most'),
            'bytes' => $number('bytes'),
        ];
    }

    /** Whether what is above it should hold for it, too. */
    public function isAsAbove(): bool
    {
        return $this->input('do') === 'above';
    }

    /** @return array<string, mixed> for an address under which they are tried */
    public function asked(): array
    {
        return array_diff_key(array_filter($this->validated(), fn (mixed $value) => $value !== null && $value !== ''), ['do' => 1]);
    }
}
