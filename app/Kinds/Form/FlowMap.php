<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Form\Arrow;
use MistyAttic\Core\Kinds\Form\Flow;
use MistyAttic\Core\Kinds\Form\FlowProblem;
use MistyAttic\Core\Kinds\Form\FormKind;
use MistyAttic\Core\Kinds\Label;

/** The way through a form, drawn from top to bottom: questions as boxes, skip rules as arrows beside them; of two states both. */
final class FlowMap
{
    public const WIDTH = 276;

    private const LEFT = 36;

    private const BOX = [140, 30];

    private const STEP = 46;

    /** @var list<array{y: int, name: string, state: string, isReached: bool}> */
    public array $boxes = [];

    /** @var list<array{path: string, state: string, name: string, x: int, y: int, isRule: bool}> */
    public array $arrows = [];

    /** @var list<string> what can't be meant, in words */
    public array $problems = [];

    /** @var array<string, int> question => its row */
    private array $rows = [];

    public function __construct(private readonly PartTree $old, private readonly PartTree $new)
    {
        [$was, $is] = [new Flow($old), new Flow($new)];
        $numbers = array_flip(array_column($is->questions, 'id'));
        $unreached = array_column(array_filter($is->problems(), fn (FlowProblem $problem) => $problem->code === 'unreachable'), 'question');
        foreach ($this->inOrder($old, $new) as $id) {
            $part = $new->find($id) ?? $old->get($id);
            $state = ! $new->has($id) ? 'removed' : (! $old->has($id) ? 'added' : 'same');
            $this->rows[$id] = count($this->boxes);
            $this->boxes[] = [
                'y' => 8 + count($this->boxes) * self::STEP,
                'name'
                    => (isset($numbers[$id]) ? $numbers[$id] + 1 .' ' : '').mb_strimwidth(Label::of($part->richText()->text()), 0, 18, '…'),
                'state' => $state,
                'isReached' => ! in_array($id, $unreached, true),
            ];
        }
        $this->arrows = $this->draw($was->arrows(), $is->arrows());
        $this->problems = array_map($this->say(...), $is->problems());
    }

    public function height(): int
    {
        return 8 + count($this->boxes) * self::STEP + 34;
    }

    /** @return list<string> the questions of both, each where it is in the layout of the comparison */
    private function inOrder(PartTree $old, PartTree $new): array
    {
        $ids = [];
        foreach (Layout::of($old, $new, TreeCompare::of($old, $new)) as $page) {
            foreach ($page->children as $question) {
                if ($question->part->role === 'question') {
                    $ids[] = $question->part->id;
                }
            }
        }

        return array_values(array_unique($ids));
    }

    /**
     * @param  list<Arrow>  $was
     * @param  list<Arrow>  $is
     * @return list<array{path: string, state: string, name: string, x: int, y: int, isRule: bool}>
     */
    private function draw(array $was, array $is): array
    {
        $key = fn (Arrow $arrow): string => "{$arrow->from}>{$arrow->to}".($arrow->rule === null ? '' : ' rule');
        [$before, $after] = [array_combine(array_map($key, $was), $was), array_combine(array_map($key, $is), $is)];
        $arrows = [];
        $lane = 0;
        foreach ($before + $after as $at => $arrow) {
            $state = ! isset($after[$at]) ? 'removed' : (! isset($before[$at]) ? 'added' : 'same');
            $isRule = $arrow->rule !== null;
            $arrows[] = [
                'state' => $state,
                ...$isRule || $this->row($arrow->to) !== $this->row($arrow->from) + 1
                    ? $this->around($arrow, $isRule ? min(3, $lane++) : 0)
                    : $this->straight($arrow),
            ];
        }

        return $arrows;
    }

    /** @param string|null $id null for the end */
    private function row(?string $id): int
    {
        return $id === null ? count($this->boxes) : $this->rows[$id];
    }

    /** @return array{path: string, name: string, x: int, y: int, isRule: bool} down to the next box */
    private function straight(Arrow $arrow): array
    {
        $x = self::LEFT + intdiv(self::BOX[0], 2);
        [$from, $to] = [8 + $this->row($arrow->from) * self::STEP, 8 + $this->row($arrow->to) * self::STEP];

        return ['path' => sprintf('M%d %dV%d', $x, $from + self::BOX[1], $to - 2), 'name' => '', 'x' => 0, 'y' => 0, 'isRule' => false];
    }

    /** @return array{path: string, name: string, x: int, y: int, isRule: bool} rules on the right, what leads past removed questions on the left */
    private function around(Arrow $arrow, int $lane): array
    {
        $isRule = $arrow->rule !== null;
        [$from, $to] = [8 + $this->row($arrow->from) * self::STEP, 8 + $this->row($arrow->to) * self::STEP];
        $edge = $isRule ? self::LEFT + self::BOX[0] : self::LEFT;
        $out = $isRule ? $edge + 22 + $lane * 12 : $edge - 26;

        return [
            'path' => sprintf(
                'M%d %dC%d %d %d %d %d %d',
                $edge,
                $from + 15,
                $out,
                $from + 15,
                $out,
                $to + ($arrow->to === null ? 0 : 15),
                $edge + ($isRule ? 2 : -2),
                $to + ($arrow->to === null ? 4 : 15),
            ),
            'name' => $isRule ? $this->condition($arrow) : '',
            'x' => $out - ($isRule ? 8 : 0),
            'y' => $from + 24,
            'isRule' => $isRule,
        ];
    }

    private function condition(Arrow $arrow): string
    {
        $rule = $this->new->find((string) $arrow->rule) ?? $this->old->find((string) $arrow->rule);
        $tree = $rule !== null && $this->new->has($rule->id) ? $this->new : $this->old;

        return $rule === null ? '' : self::when($tree, $rule, 9);
    }

    /** “is “Clothes””, as short as wanted. */
    public static function when(PartTree $tree, Part $rule, int $most = 40): string
    {
        $value = $rule->string('value');
        $shown = $tree->has($value)
            ? $tree->get($value)->string('label')
            : (in_array($value, ['yes', 'no'], true)
                ? __("form.{$value}")
                : $value);

        return $rule->string('when') === 'answered'
            ? __('form.when.answered')
            : __("form.when.{$rule->string('when')}", ['value' => mb_strimwidth($shown, 0, $most, '…')]);
    }

    /** A skip rule in words: “If “Yes”, go on with “Which day?””. */
    public static function rule(PartTree $tree, Part $rule): string
    {
        $target = $tree->find($rule->string('target'));

        return ucfirst(self::when($tree, $rule))
            .', '
            .__("form.then.{$rule->string('action')}", [
                'target' => $target === null ? __('form.gone') : (new FormKind)->label($tree, $target),
            ]);
    }

    private function say(FlowProblem $problem): string
    {
        $name = fn (?string $id): string => $id === null || ! $this->new->has($id)
            ? ''
            : (new FormKind)->label($this->new, $this->new->get($id));

        return __("form.problems.{$problem->code}", ['question' => $name($problem->question), 'target' => $name($problem->target)]);
    }
}
