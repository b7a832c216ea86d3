<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\User;
use App\Store\HandedRoots;
use App\Store\States;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Report\ReportEdit;
use MistyAttic\Core\Kinds\Report\ReportStep;

/** What a step makes of a report as it was when the step was taken. */
final readonly class ReportSteps
{
    public function __construct(private States $states, private HandedRoots $handed) {}

    /**
     * Undoing goes back to a state that was there before, and keeps what others did since.
     *
     * @param  array<string, mixed>  $sent  see {@see ReportStepRequest::rules}
     * @return array{?PartTree, ?string} null where the step can't be taken; and the part that it is about
     */
    public function after(Item $item, User $person, array $sent): array
    {
        if ($sent['do'] === 'undo') {
            return [isset($sent['back']) && $this->handed->has($item, $sent['back']) ? $this->states->tree($sent['back']) : null, null];
        }
        $step = ReportStep::tryFrom($sent['do']);
        if ($step === null) {
            return [null, null];
        }
        $tree = $this->states->tree($sent['base']);
        if ($step === ReportStep::AddPage && ($sent['title'] ?? '') === '') {
            $sent['title'] = (string) __('report.page', ['number' => (string) (count($tree->children()[PartTree::ROOT] ?? []) + 1)]);
        }
        if ($step === ReportStep::AddWidget && ($sent['source'] ?? '') === '') {
            // Where there is only one that it can be drawn from, it is that one.
            $datasets = ReportSources::of($person);
            $sent['source'] = $datasets->count() === 1 ? $datasets->firstOrFail()->key : '';
        }
        $edit = ReportEdit::of($tree, $step, $sent, MakeItem::partId());

        return [$edit?->tree, $edit?->touched];
    }
}
