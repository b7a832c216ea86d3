<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Lang;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Statement;

/** A line of the list of what changed. */
final readonly class ChangeLine
{
    /**
     * @param  list<int>  $numbers  the versions that did it, ascending
     * @param  list<User>  $editors
     * @param  bool  $areEnds  whether of the versions only the first and the last of each editor are known
     */
    public function __construct(
        public Statement $statement,
        public string $sentence,
        public array $numbers,
        public array $editors,
        public ?CarbonImmutable $at,
        private bool $areEnds = false,
    ) {}

    /** Whether it is about what the item is called. */
    private function isTitle(): bool
    {
        return $this->statement->code === 'retitled';
    }

    public function by(User $user): bool
    {
        return in_array($user->id, array_map(fn (User $editor) => $editor->id, $this->editors), true);
    }

    /** The part to go to. */
    public function part(): string
    {
        return $this->statement->cells[0] ?? $this->statement->ids[0];
    }

    public function concerns(string $part): bool
    {
        return in_array($part, $this->statement->ids, true)
            || array_filter($this->statement->cells ?? [], fn (string $cell) => $cell === $part || str_starts_with($cell, "{$part}/")) !== [];
    }

    /** The table that it is in, of a kind that has several. */
    public function table(): ?string
    {
        $table = $this->statement->values['table'] ?? null;

        return is_string($table) ? $table : null;
    }

    /** Where the history of that part is. */
    public function story(Item $item): string
    {
        if ($this->isTitle()) {
            return route('list', $item);
        }
        $part = explode('/', $this->part());

        return count($part) === 2 && $item->hasTabs() ? route('cell', [$item, ...$part]) : route('part', [$item, $part[0]]);
    }

    public function place(): ?string
    {
        $place = $this->statement->values['place'] ?? null;

        return is_string($place) && $place !== '' && ! str_contains($this->sentence, $place) ? $place : null;
    }

    public function sign(): string
    {
        return match (in_array($this->statement->code, ['split', 'joined'], true) ? ChangeType::Edited : $this->statement->type) {
            ChangeType::Added => '+',
            ChangeType::Removed => '−',
            ChangeType::Moved => '⇅',
            ChangeType::Edited => $this->statement->isConsequence() ? '∿' : '~',
        };
    }

    /** The versions as text: “in 57”, “in 49 and 52”, “in 6 versions, 40 to 57”. */
    public function versions(): string
    {
        $count = count($this->numbers);

        return match (true) {
            $count === 0 => '',
            $count === 1 => __('history.in_one', ['number' => (string) $this->numbers[0]]),
            $this->areEnds => __('history.in_range', [
                'first' => (string) $this->numbers[0],
                'last' => (string) $this->numbers[$count - 1],
            ]),
            $count === 2 => __('history.in_two', ['first' => (string) $this->numbers[0], 'second' => (string) $this->numbers[1]]),
            default => __('history.in_many', [
                'count' => (string) $count,
                'first' => (string) $this->numbers[0],
                'last' => (string) $this->numbers[$count - 1],
            ]),
        };
    }

    /** What a restore does with it, as a line of the plan. */
    public function plan(): string
    {
        $values = $this->statement->values;
        $phrases = new Phrases;
        if (Lang::has("history.table_plan.{$this->statement->code}")) {
            return $phrases->planned($this->statement);
        }
        if (in_array($this->statement->code, ['split', 'joined'], true)) {
            return __("history.plan_of.{$this->statement->code}", array_map(strval(...), $values));
        }
        $what = $phrases->what($values);
        if ($this->statement->type === ChangeType::Edited && isset($values['field'], $values['was'])) {
            return $phrases->settingBack($values);
        }

        return match ($this->statement->type) {
            ChangeType::Removed, ChangeType::Added => mb_ucfirst($what),
            ChangeType::Moved => __('history.plan.moved', ['what' => $what]),
            ChangeType::Edited => $this->statement->added + $this->statement->removed > 0
                ? __($this->statement->removed === 0 ? 'history.plan.edited_away' : 'history.plan.edited', [
                        'name' => (string) ($values['name'] ?? ''),
                    ]).$this->words()
                : __($this->planKey(), array_map(strval(...), $values)),
        };
    }

    /** The sentence of what it goes back to; of some codes, by what the part is. */
    private function planKey(): string
    {
        $own = "history.plan_of.{$this->statement->code}";
        $byNoun = "{$own}_of.".($this->statement->values['noun'] ?? '');

        return Lang::has($byNoun) ? $byNoun : (Lang::has($own) ? $own : 'history.plan_of.formatted');
    }

    private function words(): string
    {
        $said = array_filter([
            $this->statement->removed > 0 ? trans_choice('history.plan.back', $this->statement->removed) : '',
            $this->statement->added > 0 ? trans_choice('history.plan.away', $this->statement->added) : '',
        ]);

        return $said === [] ? '' : ': '.implode(', ', $said);
    }

    /** Whose it is, and since which version. */
    public function planned(): string
    {
        $who = implode(', ', array_map(fn (User $editor) => $editor->firstName(), $this->editors));

        return __("history.plan.{$this->statement->type->value}_by", ['who' => $who, 'versions' => $this->versions()]);
    }
}
