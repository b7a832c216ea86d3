<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\User;
use App\View\Plans\EntryProposals;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as Rows;
use Illuminate\Pagination\LengthAwarePaginator;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Form\Flow;

/** The entries of a form as a table: a column a question, those that are gone at the end. */
final class EntryList
{
    private const A_PAGE = 100;

    /** @var array<string, string> question => its words, as the form asks now */
    public array $columns = [];

    /** @var array<string, string> question => its words, of those that the form asks no more */
    public array $gone = [];

    /** @var LengthAwarePaginator<int, Item> */
    public LengthAwarePaginator $entries;

    /** @var array<int, array<string, string>> entry => question => answer */
    public array $answers = [];

    /** @var array<int, Proposal> entry => the change of it that waits for a yes, if this person may see it */
    public array $waiting = [];

    public function __construct(
        private readonly Item $form,
        PartTree $tree,
        User $user,
        public readonly string $sort,
        public readonly bool $down,
        public readonly string $find,
        public readonly bool $deleted,
        public readonly string $in = '',
        /** @var list<string> questions whose column is not wanted */
        public readonly array $without = [],
    ) {
        foreach ((new Flow($tree))->questions as $question) {
            if ($question->string('type') !== 'note') {
                $this->columns[$question->id] = $question->richText()->text();
            }
        }
        $this->gone = self::gone($form, array_keys($this->columns));
        $this->entries = $this->query()->paginate(self::A_PAGE)->withQueryString();
        $this->answers = self::answersOf($this->entries->getCollection()->pluck('id')->all());
        if ($form->shelf->asks_entries) {
            $this->waiting = EntryProposals::waiting($form, $user)
                ->whereIn('proposals.item_id', $this->entries->getCollection()->pluck('id'))
                ->get()
                ->keyBy('item_id')
                ->all();
        }
    }

    /** Whether an answer is a short word, such as a day or an address, which is not broken. */
    public function isWord(Item $entry, string $question): bool
    {
        return preg_match('/^\S{1,32}$/u', $this->answers[$entry->id][$question] ?? '') === 1;
    }

    /** @return array<string, string> question => its words, of the columns that are wanted */
    public function shown(): array
    {
        return array_diff_key($this->columns + $this->gone, array_flip($this->without));
    }

    /**
     * What an address says of this list.
     *
     * @param  array<string, string|int|list<string>|null>  $other  what is to be otherwise
     * @return array<string, mixed>
     */
    public function address(array $other = []): array
    {
        return array_filter(
            [
                ...[
                    'item' => $this->form,
                    'sort' => $this->sort,
                    'down' => $this->down ? 1 : 0,
                    'find' => $this->find,
                    'in' => $this->in,
                    'gone' => $this->deleted ? 1 : null,
                    'without' => $this->without,
                ],
                ...$other,
            ],
            fn (mixed $value) => $value !== null && $value !== '' && $value !== [],
        );
    }

    /**
     * The questions that were answered and are asked no more; each is one step along the index, however many answers it has.
     *
     * @param  list<string>  $asked
     * @return array<string, string> their words, by question
     */
    public static function gone(Item $form, array $asked): array
    {
        $gone = [];
        for (
            $last = '';
            ($row = DB::table('answers')
                ->where('form_id', $form->id)
                ->where('question', '>', $last)
                ->orderBy('question')
                ->first(['question', 'label'])) !== null;
            $last = (string) $row->question
        ) {
            if (! in_array($row->question, $asked, true)) {
                $gone[(string) $row->question] = (string) $row->label;
            }
        }

        return $gone;
    }

    /**
     * @param  array<int>  $entries  ids
     * @return array<int, array<string, string>> entry => question => answer
     */
    public static function answersOf(array $entries): array
    {
        $answers = [];
        foreach (DB::table('answers')->whereIn('item_id', $entries)->get(['item_id', 'question', 'text']) as $row) {
            $answers[(int) $row->item_id][(string) $row->question] = (string) $row->text;
        }

        return $answers;
    }

    /** @return Builder<Item> */
    public function query(): Builder
    {
        $way = $this->down ? 'desc' : 'asc';
        $query = Item::query()
            ->with('newest.user', 'first.user')
            ->where('items.form_id', $this->form->id)
            ->whereNull('items.deleted_at', not: $this->deleted);
        if ($this->find !== '') {
            $like = '%'.addcslashes($this->find, '%_\\').'%';
            $query->whereExists(
                fn ($found) => $found
                    ->from('answers')
                    ->whereColumn('answers.item_id', 'items.id')
                    ->whereRaw("answers.text LIKE ? ESCAPE '\\'", [$like])
                    ->when($this->in !== '', fn ($one) => $one->where('answers.question', $this->in)),
            );
        }

        return match (true) {
            $this->sort === 'from' => $query
                ->leftJoin('versions', fn ($join) => $join->on('versions.item_id', '=', 'items.id')->where('versions.number', 1))
                ->leftJoin('users', 'users.id', '=', 'versions.user_id')
                ->orderByRaw("users.name COLLATE NOCASE {$way}")
                ->orderBy('items.number')
                ->select('items.*'),
            $this->sort === 'changed' => $query->orderBy('items.changed_at', $way)->orderBy('items.number'),
            isset($this->columns[$this->sort]) || isset($this->gone[$this->sort]) => $query
                ->leftJoin('answers', fn ($join) => $join->on('answers.item_id', '=', 'items.id')->where('answers.question', $this->sort))
                ->orderByRaw("answers.text IS NULL, answers.number {$way}, answers.text COLLATE NOCASE {$way}")
                ->orderBy('items.number')
                ->select('items.*'),
            default => $query->orderBy('items.number', $way),
        };
    }

    /** @return array<string, int> how often each question was answered */
    public static function counts(Item $form): array
    {
        return array_map(
            intval(...),
            self::standing($form)
                ->groupBy('answers.question')
                ->selectRaw('answers.question AS question, COUNT(*) AS count')
                ->pluck('count', 'question')
                ->all(),
        );
    }

    /** The answers of entries that were not taken away. */
    public static function standing(Item $form): Rows
    {
        return DB::table('answers')
            ->where('answers.form_id', $form->id)
            ->whereNotIn('answers.item_id', DB::table('items')->where('form_id', $form->id)->whereNotNull('deleted_at')->select('id'));
    }

    /**
     * How many answers there are to questions: when these go, so many go out of sight.
     *
     * @param  list<string>  $questions
     * @return array<string, int> of those that were answered
     */
    public static function answered(Item $form, array $questions): array
    {
        return $questions === [] || ! $form->isAnswered()
            ? []
            : array_map(
                intval(...),
                self::standing($form)
                    ->whereIn('answers.question', $questions)
                    ->groupBy('answers.question')
                    ->selectRaw('answers.question AS question, COUNT(*) AS count')
                    ->pluck('count', 'question')
                    ->all(),
            );
    }
}
