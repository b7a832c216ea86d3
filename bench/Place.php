<?php

declare(strict_types=1);

namespace Bench;

use App\Kinds\Form\TakeEntry;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Past\MarkMilestone;
use App\Publishing\PublishVersion;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Demo\FormDraft;
use Demo\Visitors;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A place of people, shelves, items and versions of any size, in minutes: some items are written by the actions, all others are their rows
 * once more, as the actions would have written them.
 */
final class Place
{
    private const WORDS = [
        'bench',
        'socket',
        'log',
        'lead',
        'red',
        'bin',
        'owner',
        'ring',
        'sand',
        'taped',
        'before',
        'doors',
        'open',
        'tester',
        'room',
        'lamp',
        'needle',
        'thread',
        'board',
        'ticket',
    ];

    private readonly Randomizer $random;

    /** @var list<User> */
    public array $people = [];

    /** @var list<Shelf> */
    public array $shelves = [];

    public function __construct(private readonly Application $app)
    {
        $this->random = new Randomizer(new Mt19937(20_261_129));
    }

    public function people(int $people, int $shelves): void
    {
        for ($at = 0; $at < $people; $at++) {
            $this->people[] = User::query()->create([
                'name' => "Person {$at}",
                'email' => "p{$at}@example.org",
                'password' => null,
                'colour' => 1 + ($at % User::COLOURS),
            ]);
        }
        for ($at = 0; $at < $shelves; $at++) {
            $shelf = Shelf::query()->create(['key' => MakeItem::key(), 'name' => "Shelf {$at}"]);
            $this->shelves[] = $shelf;
            for ($one = 0; $one < min(8, $people); $one++) {
                $shelf
                    ->memberships()
                    ->create([
                        'user_id' => $this->people[($at * 5 + $one) % $people]->id,
                        'role' => $one === 0 ? Role::Owner : Role::Editor,
                    ]);
            }
        }
    }

    /** Who works on a shelf. */
    public function person(Shelf $shelf): User
    {
        $at = (int) array_search($shelf, $this->shelves, true);

        return $this->people[($at * 5) % count($this->people)];
    }

    /** An item of a kind with so many versions, written by five people of its shelf. */
    public function written(Shelf $shelf, string $kind, int $versions): Item
    {
        $maker = $this->person($shelf);
        $item = $this->app->make(MakeItem::class)->handle($shelf, $maker, $kind, ucfirst($kind).' '.$this->random->getInt(1, 9999));
        $tree = $this->start($kind);
        for ($number = 2; $number <= $versions; $number++) {
            Date::setTestNow(Date::now()->addMinutes($number % 9 === 0 ? 600 : 4));
            $who = $this->people[((int) array_search($shelf, $this->shelves, true) * 5 + (intdiv($number, 4) % 5)) % count($this->people)];
            $saved = $this->app
                ->make(SaveState::class)
                ->handle($item->refresh(), $who, new Sent($item->root, $tree, "place{$number}", keep: true));
            $saved instanceof Saved || throw new \LogicException('It was not saved');
            if ($number % 40 === 0) {
                $this->app->make(MarkMilestone::class)->handle($saved->version, $who, "Agreed {$number}", null);
            }
            $tree = $this->edited($tree);
        }

        return $item->refresh();
    }

    /** The rows of an item once more, on a shelf, as another item. */
    public function again(Item $item, Shelf $shelf, int $at): int
    {
        $key = MakeItem::key();
        DB::insert(
            'INSERT INTO items (key, shelf_id, kind, title, head, root, changed_at, created_at, updated_at, formulas) SELECT ?, ?, kind, title || ?, head, root, changed_at, created_at, updated_at, formulas FROM items WHERE id = ?',
            [$key, $shelf->id, " {$at}", $item->id],
        );
        $id = (int) DB::getPdo()->lastInsertId();
        $this->rows($item->id, $id);

        return $id;
    }

    private function rows(int $from, int $to): void
    {
        DB::insert(
            'INSERT INTO versions (item_id, number, root, user_id, cause, source, kept, note, facts, unusual, added, removed, started_at, saved_at, title) SELECT ?, number, root, user_id, cause, source, kept, note, facts, unusual, added, removed, started_at, saved_at, title FROM versions WHERE item_id = ?',
            [$to, $from],
        );
        DB::insert(
            'INSERT INTO touches (item_id, part, number, user_id, what, position) SELECT ?, part, number, user_id, what, position FROM touches WHERE item_id = ?',
            [$to, $from],
        );
        DB::insert(
            'INSERT INTO activity (item_id, day, user_id, versions) SELECT ?, day, user_id, versions FROM activity WHERE item_id = ?',
            [$to, $from],
        );
        DB::insert(
            'INSERT INTO milestones (version_id, user_id, name, item_id) SELECT later.id, milestones.user_id, milestones.name, ? FROM milestones JOIN versions AS earlier ON earlier.id = milestones.version_id JOIN versions AS later ON later.item_id = ? AND later.number = earlier.number WHERE milestones.item_id = ?',
            [$to, $to, $from],
        );
    }

    /** Lets the versions of an item come again and again, until there are so many. */
    public function longer(Item $item, int $versions): void
    {
        $period = $item->head - 1;
        for ($head = $item->head; $head < $versions; $head += $period) {
            // From the second on: the first made it.
            $shift = $head - 1;
            $most = min($versions, $head + $period) - $shift;
            $days = intdiv($shift * 70, 1440);
            DB::insert(
                'INSERT INTO versions (item_id, number, root, user_id, cause, kept, facts, added, removed, started_at, saved_at, title) SELECT item_id, number + ?, root, user_id, cause, kept, facts, added, removed, datetime(started_at, ?), datetime(saved_at, ?), title FROM versions WHERE item_id = ? AND number BETWEEN 2 AND ?',
                [$shift, "+{$days} days", "+{$days} days", $item->id, $most],
            );
            DB::insert(
                'INSERT INTO touches (item_id, part, number, user_id, what, position) SELECT item_id, part, number + ?, user_id, what, position FROM touches WHERE item_id = ? AND number BETWEEN 2 AND ?',
                [$shift, $item->id, $most],
            );
        }
        $item->update([
            'head' => $versions,
            'root' => Version::query()
                ->where(['item_id' => $item->id, 'number' => $versions])
                ->value('root'),
        ]);
    }

    /** A form with so many entries. */
    public function form(Shelf $shelf, int $entries): Item
    {
        $user = $this->person($shelf);
        $draft = new FormDraft('bench');
        $form = $this->app->make(MakeItem::class)->handle($shelf, $user, 'form', 'Booking');
        $tree = $this->app->make(States::class)->tree($form->root);
        foreach (
            [
                'question short! What do you bring?',
                'question one What is wrong?: A / B / C',
                'question yes_no A plug?',
                'question number How many?',
                'question long More',
                'question email! Your address',
                'question date When?',
            ] as $line
        ) {
            $tree = $draft->edit($tree, $line);
        }
        $saved = $this->app->make(SaveState::class)->handle($form, $user, new Sent($form->root, $tree, 'bench'));
        $saved instanceof Saved || throw new \LogicException('It was not saved');
        $live = $this->app->make(PublishVersion::class)->handle($saved->version->setRelation('item', $form), $user);
        $visitors = new Visitors('bench');
        $taken = [];
        for ($number = 1; $number <= min(100, $entries); $number++) {
            $taken[] = $this->app
                ->make(TakeEntry::class)
                ->handle($form, $live, $user, $visitors->answers($tree, $number, new \DateTimeImmutable('2026-05-04')))
            ?? throw new \LogicException('It was not taken');
        }
        for (; $number <= $entries; $number++) {
            $this->entry($taken[$number % count($taken)], $number, $live);
        }

        return $form->refresh();
    }

    private function entry(Item $entry, int $number, Publishing $asked): void
    {
        DB::insert(
            'INSERT INTO items (key, shelf_id, kind, title, head, root, changed_at, created_at, updated_at, form_id, number, asked_id, token) SELECT ?, shelf_id, kind, ?, head, root, changed_at, created_at, updated_at, form_id, ?, ?, ? FROM items WHERE id = ?',
            [MakeItem::key(), "Entry {$number}", $number, $asked->id, MakeItem::key().MakeItem::key(), $entry->id],
        );
        $id = (int) DB::getPdo()->lastInsertId();
        $this->rows($entry->id, $id);
        DB::insert(
            'INSERT INTO answers (item_id, form_id, question, label, text, number, choices) SELECT ?, form_id, question, label, text, number, choices FROM answers WHERE item_id = ?',
            [$id, $entry->id],
        );
    }

    private function sentence(): string
    {
        return ucfirst(implode(' ', array_map(fn () => self::WORDS[$this->random->getInt(0, count(self::WORDS) - 1)], range(1, 9)))).'. ';
    }

    private function start(string $kind): PartTree
    {
        return PartTree::of(
            match ($kind) {
                'spreadsheet' => [
                    new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => 1]),
                    ...array_map(fn (int $at) => new Part("col{$at}", 'column', 1, ['width' => 0, 'format' => '']), range(1, 8)),
                    ...array_map(
                        fn (int $at) => new Part(sprintf('row%04d', $at), 'row', 1, [
                            'col1' => $this->sentence(),
                            'col2' => $at * 7,
                            'col3' => $at % 50,
                        ]),
                        range(1, 120),
                    ),
                ],
                'page' => [
                    new Part('sect', 'section', 0, ['title' => 'When', 'background' => 'plain']),
                    new Part('colu', 'column', 1, ['width' => 12]),
                    ...array_map(
                        fn (int $at) => new Part(sprintf('txt%04d', $at), 'rich_text', 2, [
                            'style' => 'plain',
                            'text' => RichText::plain($this->sentence()),
                        ]),
                        range(1, 25),
                    ),
                ],
                default => array_map(
                    fn (int $at) => $at % 12 === 0
                        ? new Part(sprintf('hea%04d', $at), 'heading', 0, ['level' => 2, 'text' => RichText::plain("Section {$at}")])
                        : new Part(sprintf('par%04d', $at), 'paragraph', 0, [
                            'text' => RichText::plain($this->sentence().$this->sentence()),
                        ]),
                    range(0, 59),
                ),
            },
        );
    }

    private function edited(PartTree $tree): PartTree
    {
        $parts = $tree->parts;
        do {
            $at = $this->random->getInt(0, count($parts) - 1);
        } while (! in_array($parts[$at]->role, ['paragraph', 'row', 'rich_text'], true));
        $parts[$at] = $parts[$at]->role === 'row'
            ? $parts[$at]->with('col2', $this->random->getInt(1, 100_000))
            : $parts[$at]->with('text', RichText::plain(substr($parts[$at]->richText()->text(), -120).$this->sentence()));

        return PartTree::of($parts);
    }
}
