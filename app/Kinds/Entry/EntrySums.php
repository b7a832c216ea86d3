<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Kinds\Form\EntryList;
use App\Models\Item;
use App\Models\Publishing;
use App\Store\States;
use App\Words\Numbers;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\Answers;
use MistyAttic\Core\Kinds\Form\Flow;

/** Each question of a form summed up over its entries, and the entries by day and by the publishing that was live. */
final class EntrySums
{
    /** Of texts, so many of the latest are shown. */
    private const LATEST = 5;

    /** Publishings of the form that are looked through for choices that are gone. */
    private const EARLIER = 50;

    /** @var list<array{question: string, type: string, count: int, bars: list<array{string, int}>, figures: array<string, string>, latest: list<string>, isGone: bool}> */
    public array $questions = [];

    /** @var array<string, string>|null choices and lines of earlier publishings => what they were called */
    private ?array $earlier = null;

    /** @var list<array{string, int}> */
    public array $byDay;

    /** @var list<array{string, int}> */
    public array $byPublishing;

    public int $count;

    public function __construct(private readonly Item $form, private readonly PartTree $tree)
    {
        $entries = fn () => DB::table('items')->where('items.form_id', $this->form->id)->whereNull('items.deleted_at');
        $this->count = $entries()->count();
        $days = $entries()
            ->groupByRaw('substr(items.created_at, 1, 10)')
            ->orderBy('day')
            ->selectRaw('substr(items.created_at, 1, 10) AS day, COUNT(*) AS count')
            ->get();
        $this->byDay = array_values(array_map(fn (object $row) => [(string) $row->day, (int) $row->count], $days->all()));
        $live = $entries()
            ->whereNotNull('asked_id')
            ->groupBy('asked_id')
            ->selectRaw('asked_id, COUNT(*) AS count')
            ->pluck('count', 'asked_id');
        $this->byPublishing = array_values(
            array_map(
                fn (Publishing $one) => [(string) $one->version->number, (int) $live[$one->id]],
                Publishing::query()->with('version')->whereKey($live->keys())->orderBy('count')->get()->all(),
            ),
        );
        $asked = [];
        foreach ((new Flow($tree))->questions as $question) {
            $asked[] = $question->id;
            if ($question->string('type') !== 'note') {
                $this->questions[] = $this->sum($question->id, $question->richText()->text(), $question->string('type'), $question);
            }
        }
        foreach (EntryList::gone($form, $asked) as $id => $label) {
            $this->questions[] = $this->sum((string) $id, $label, '', null);
        }
    }

    /** @return array{question: string, type: string, count: int, bars: list<array{string, int}>, figures: array<string, string>, latest: list<string>, isGone: bool} */
    private function sum(string $id, string $label, string $type, ?Part $question): array
    {
        $rows = EntryList::standing($this->form)->where('question', $id);
        $count = (clone $rows)->count();
        $bars = $figures = [];
        if (in_array($type, ['one', 'several', 'grid', 'yes_no', 'scale', ''], true)) {
            $bars = $this->bars($rows, $question, $type);
        }
        if (in_array($type, ['number', 'scale'], true)) {
            $figures = $this->figures((clone $rows)->whereNotNull('answers.number'));
        }
        $latest = $bars !== [] || $type === 'number'
            ? []
            : array_values(
                array_map(
                    strval(...),
                    (clone $rows)->orderByDesc('answers.item_id')->limit(self::LATEST)->pluck('answers.text')->all(),
                ),
            );

        return [
            'question' => $label,
            'type' => $type === '' ? '' : (string) __("form.types.{$type}"),
            'count' => $count,
            'bars' => $bars,
            'figures' => $figures,
            'latest' => $latest,
            'isGone' => $question === null,
        ];
    }

    /**
     * @param  Builder  $rows
     * @return list<array{string, int}>
     */
    private function bars($rows, ?Part $question, string $type): array
    {
        if ($type === 'scale' && $question !== null) {
            return self::steps($rows, $question);
        }
        $counts = [];
        foreach (
            (clone $rows)
                ->groupBy('answers.choices', 'answers.text')
                ->selectRaw('answers.choices AS choices, answers.text AS text, COUNT(*) AS count')
                ->get() as $row
        ) {
            $choices = $row->choices === null ? null : json_decode((string) $row->choices, true);
            foreach (is_array($choices) ? $choices : [(string) $row->text] as $choice) {
                $counts[(string) $choice] = ($counts[(string) $choice] ?? 0) + (int) $row->count;
            }
        }
        $bars = [];
        foreach ($question === null ? [] : $this->tree->children()[$question->id] ?? [] as $below) {
            if ($this->tree->get($below)->role === 'choice' && $type !== 'grid') {
                $bars[] = [$this->tree->get($below)->string('label'), $counts[$below] ?? 0];
                unset($counts[$below]);
            }
        }
        arsort($counts);
        foreach (array_slice($counts, 0, 12, true) as $choice => $count) {
            $words = array_map($this->wordsOf(...), explode(':', (string) $choice, 2));
            $isPlain = $type === 'yes_no' || ($question === null && in_array(null, $words, true));
            $bars[] = [
                $isPlain ? (string) $choice : (in_array(null, $words, true) ? (string) __('form.choice_gone') : implode(': ', $words)),
                $count,
            ];
        }

        return $bars;
    }

    /**
     * A bar for each step of a scale, whether anybody chose it or not.
     *
     * @param  Builder  $rows
     * @return list<array{string, int}>
     */
    private static function steps($rows, Part $question): array
    {
        $counts = (clone $rows)
            ->groupBy('answers.number')
            ->selectRaw('answers.number AS at, COUNT(*) AS count')
            ->pluck('count', 'at')
            ->all();

        [$least, $most] = Answers::scaleOf($question);

        return array_map(
            fn (int $step) => [
                (string) $step,
                (int) ($counts[(string) (float) $step] ?? ($counts[(string) $step] ?? ($counts["{$step}.0"] ?? 0))),
            ],
            range($least, $most),
        );
    }

    /** What a choice or a line is called, or was when the form was published with it. */
    private function wordsOf(string $id): ?string
    {
        if ($this->tree->has($id)) {
            return $this->tree->get($id)->string('label');
        }
        if ($this->earlier === null) {
            $this->earlier = [];
            $states = app(States::class);
            foreach (
                $this->form->publishings()->with('version')->whereNotNull('count')->orderByDesc('count')->limit(self::EARLIER)->get() as $publishing
            ) {
                foreach ($states->tree($publishing->version->root)->parts as $part) {
                    $this->earlier += in_array($part->role, ['choice', 'grid_line'], true) ? [$part->id => $part->string('label')] : [];
                }
            }
        }

        return $this->earlier[$id] ?? null;
    }

    private static function figure(float $value): string
    {
        return Numbers::short($value, 2);
    }

    /** @return array<string, string> of the answers that are numbers */
    private function figures(Builder $numbers): array
    {
        $all = (array) (clone $numbers)
            ->selectRaw('COUNT(*) AS count, SUM(number) AS sum, MIN(number) AS least, MAX(number) AS most')
            ->first();
        $count = (int) ($all['count'] ?? 0);
        if ($count === 0) {
            return [];
        }
        // The one in the middle, or the two.
        $middle = (clone $numbers)->orderBy('answers.number')->offset(intdiv($count - 1, 2))->limit(2 - $count % 2)->pluck('number');

        return [
            __('form.figures.sum') => self::figure((float) $all['sum']),
            __('form.figures.mean') => self::figure((float) $all['sum'] / $count),
            __('form.figures.median') => self::figure((float) $middle->avg()),
            __('form.figures.least') => self::figure((float) $all['least']),
            __('form.figures.most') => self::figure((float) $all['most']),
        ];
    }
}
