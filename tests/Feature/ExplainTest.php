<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kinds\Form\TakeEntry;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use Illuminate\Database\Connection;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/**
 * What the main pages and savings ask of the database is found by an index, however much there is, and no list of versions or touches is
 * sorted aside.
 */
final class ExplainTest extends FeatureCase
{
    /** Tables that grow with use. */
    private const GROWING = [
        'versions',
        'touches',
        'items',
        'chunks',
        'answers',
        'handed_roots',
        'sendings',
        'carried',
        'activity',
        'held_edits',
        'milestones',
        'publishings',
        'pictures',
        'proposals',
        'removals',
        'mails',
        'source_steps',
        'dataset_columns',
        'memberships',
        'threads',
        'thread_places',
        'comments',
        'mentions',
    ];

    /** An index of datasets alone, which are few. */
    private const FEW = 'items_datasets';

    /** Lists that are as long as a history; others are of a page, a shelf or a person, and sorting them costs nothing. */
    private const LONG = '/^select .* from "(versions|touches|handed_roots|chunks)" where (?:"\w+"\.)?"item_id" = \?/';

    /** @var array<string, list<string>> what is wrong => pages */
    private array $found = [];

    public function test_no_page_reads_a_growing_table_whole_or_sorts_a_long_one_aside(): void
    {
        [$ines, $shelf] = [$this->person('Ines Oduya'), null];
        $shelf = $this->shelf('Office', [[$ines, Role::Owner]]);
        $this->actingAs($ines);
        $make = $this->app->make(MakeItem::class);
        $page = $this->page($shelf, $ines, 'Open');
        $this->publish($page, $ines);
        $this->open($page, 'open');
        $sheet = $make->handle($shelf, $ines, 'spreadsheet', 'Rota');
        $this->save(
            $sheet,
            $ines,
            PartTree::of([
                new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
                new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('rhead', 'row', 1, ['cone' => 'Bench']),
                new Part('rone', 'row', 1, ['cone' => 'Wood']),
            ]),
        );
        $data = $make->handle($shelf, $ines, 'dataset', 'Log');
        $this->save(
            $data,
            $ines,
            PartTree::of([
                new Part('fone', 'field', 0, ['name' => 'Bench', 'type' => 'text']),
                new Part('rone', 'record', 0, ['fone' => 'Wood']),
            ]),
        );
        $report = $make->handle($shelf, $ines, 'report', 'Report');
        $this->save(
            $report,
            $ines,
            PartTree::of([
                new Part('pone', 'page', 0, ['title' => 'One']),
                new Part('wone', 'widget', 1, [
                    'type' => 'bars',
                    'title' => 'x',
                    'x' => 0,
                    'y' => 0,
                    'across' => 6,
                    'down' => 6,
                    'source' => $data->key,
                    'measure' => 'count',
                    'by' => 'fone',
                ]),
            ]),
        );
        $form = $make->handle($shelf, $ines, 'form', 'Book');
        $this->save(
            $form,
            $ines,
            PartTree::of([
                new Part('pone', 'page', 0, ['title' => 'First']),
                new Part('qone', 'question', 1, ['type' => 'short', 'text' => RichText::plain('What?'), 'required' => false]),
            ]),
        );
        $live = $this->publish($form, $ines);
        $entry = $this->app
            ->make(TakeEntry::class)
            ->handle($form, $live, $ines, PartTree::of([new Part('qone', 'answer', 0, ['label' => 'What?', 'value' => 'A lamp'])]))
        ?? self::fail();
        $this->actingAs($ines)
            ->post(route('talk.begin', $page), ['text' => 'Is it?'])
            ->assertSessionHasNoErrors();
        $this->watch();
        foreach ([$page, $sheet, $data, $report, $form, $entry] as $item) {
            $this->look($item);
        }
        $this->ask('the shelf', route('shelf', $shelf));
        $this->ask('people', route('people', $shelf));
        $this->ask('what waits', route('for-you'));
        $this->ask('entries', route('entries', $form));
        $this->ask('a cell', route('part', [$sheet, 'rone']));
        $this->ask('the public page', '/read/open');
        $this->save($page, $ines, $this->column('Open again'));
        $this->note('saving');
        self::assertSame([], array_map(fn (array $pages) => implode(', ', array_unique($pages)), $this->found));
    }

    private function look(Item $item): void
    {
        $item->refresh();
        $this->ask("{$item->kind}", route('item', $item));
        foreach (['history', 'list', 'ribbon', 'talk'] as $route) {
            $this->ask("{$item->kind}: {$route}", route($route, $item));
        }
        $this->ask("{$item->kind}: who wrote what", route('history', ['item' => $item, 'from' => 1, 'to' => $item->head, 'view' => 'who']));
        $this->ask("{$item->kind}: news", route('live', [$item, 'client' => 'w', 'root' => $item->root]));
        $this->ask("{$item->kind}: plan", route('restore', [$item, 1]));
    }

    private function ask(string $name, string $url): void
    {
        self::assertLessThan(500, $this->get($url)->status(), $name);
        $this->note($name);
    }

    /** @var list<array{string, list<mixed>, Connection}> */
    private array $asked = [];

    private function watch(): void
    {
        DB::listen(function (QueryExecuted $query): void {
            if (str_starts_with(strtolower(ltrim($query->sql)), 'select')) {
                $this->asked[] = [$query->sql, array_values($query->bindings), $query->connection];
            }
        });
    }

    private function note(string $name): void
    {
        $asked = $this->asked;
        $this->asked = [];
        foreach ($asked as [$sql, $bindings, $connection]) {
            foreach (
                $connection
                    ->getPdo()
                    ->query(
                        'EXPLAIN QUERY PLAN '
                            .DB::connection()
                                ->getQueryGrammar()
                                ->substituteBindingsIntoRawSql(
                                    $sql,
                                    array_map(
                                        fn (mixed $value) => $value instanceof \DateTimeInterface ? $value->format('Y-m-d H:i:s') : $value,
                                        $bindings,
                                    ),
                                ),
                    )
                ?: [] as $step
            ) {
                $detail = (string) $step['detail'];
                if (
                    (preg_match('/^SCAN (\w+)/', $detail, $table) === 1
                        && in_array($table[1], self::GROWING, true)
                        && ! str_contains($detail, self::FEW))
                    || (str_contains($detail, 'TEMP B-TREE FOR ORDER BY') && preg_match(self::LONG, $sql) === 1)
                ) {
                    $this->found["{$detail}: ".mb_substr($sql, 0, 260)][] = $name;
                }
            }
        }
    }
}
