<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use PHPUnit\Framework\Attributes\Group;

#[Group('long')]
final class DemoTest extends FeatureCase
{
    public function test_the_demo_is_the_same_every_time_and_holds_what_it_promises(): void
    {
        // Built already, for all tests that look at it; or here.
        $ready = (string) getenv('ATTIC_READY_DEMO');
        if ($ready === '') {
            $this->build('2027-02-03');
            $other = $this->roots();
            DB::statement('PRAGMA foreign_keys = OFF');
            foreach (
                DB::select(
                    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' AND name NOT LIKE 'found%' AND name != 'migrations'",
                ) as $table
            ) {
                DB::table($table->name)->delete();
            }
            DB::statement("INSERT INTO found (found) VALUES ('delete-all')");
        } else {
            config(['database.connections.ready' => [...config('database.connections.sqlite'), 'database' => $ready]]);
            $other = $this->roots('ready');
        }
        $this->build('2026-05-31');
        $roots = $this->roots();
        $this->check();
        $this->shown();
        $this->assertVerified();
        self::assertSame($roots, $other);
    }

    private function build(string $until): void
    {
        Artisan::call('attic:demo', ['--until' => $until]);
        self::assertStringContainsString('versions of 01-volunteer-handbook', Artisan::output());
    }

    /**
     * @return array<mixed> of all versions, but of those in which days are on which bookings were sent, and that visitors ask for: these
     *     are the clock's, and differ with it
     */
    private function roots(?string $connection = null): array
    {
        return Version::on($connection)
            ->whereHas(
                'item',
                fn ($item) => $item
                    ->whereNotIn('title', ['Bookings', 'Book a repair'])
                    ->whereDoesntHave('form', fn ($form) => $form->where('title', 'Book a repair')),
            )
            ->orderBy('id')
            ->pluck('root')
            ->all();
    }

    /**
     * What is looked at says which parts it shows, so that one can talk about them and choose among them; and it names none that aren't
     * there.
     */
    private function shown(): void
    {
        $this->actingAs(User::query()->where('name', 'Ines Oduya')->firstOrFail());
        $states = $this->app->make(States::class);
        foreach (
            Item::query()
                ->whereNull(['form_id', 'deleted_at'])
                ->get()
                ->push(Item::query()->whereNotNull('form_id')->firstOrFail()) as $item
        ) {
            $this->post(route('talk.begin', $item), ['text' => 'All of it?'])->assertSessionHasNoErrors();
            [$from, $to] = [max(1, $item->head - 1), $item->head];
            $views = [
                'was' => [$to],
                'changed' => [$from, $to],
                ...in_array($item->kind, ['dataset', 'file', 'entry'], true) ? ['desk' => [$to]] : [],
            ];
            foreach ($views as $view => $numbers) {
                $page = (string) $this->get(
                    $view === 'desk'
                        ? route('item', $item)
                        : route('history', [$item, 'from' => $numbers[0], 'to' => $to, 'view' => $view]),
                )
                    ->assertOk()
                    ->getContent();
                // All that is offered for download is there.
                preg_match_all('~class="menu-line" href="([^"]*/(?:download|comparison|versions)/[^"]*)"~', $page, $offered);
                foreach ($view === 'changed' ? $offered[1] : [] as $address) {
                    self::assertSame(200, $this->get(html_entity_decode($address))->getStatusCode(), $address);
                }
                preg_match_all('~ data-(?:part|cell)="?([^"/ >]+)~', strstr($page, ' data-state') ?: '', $found);
                self::assertNotSame([], $found[1], "{$view} of {$item->title}");
                if (! str_contains($page, ' data-read-of=')) {
                    $known = array_merge(
                        ...array_map(
                            fn (int $number): array => array_column(
                                $states->tree((string) $item->versions()->where('number', $number)->value('root'))->parts,
                                'id',
                            ),
                            $numbers,
                        ),
                    );
                    self::assertSame([], array_values(array_diff($found[1], $known)), "{$view} of {$item->title}");
                }
            }
        }
    }

    private function check(): void
    {
        self::assertSame([6, 4], [User::query()->count(), Shelf::query()->count()]);
        self::assertGreaterThanOrEqual(4, Item::query()->count());
        $handbook = Item::query()->where('title', 'Volunteer handbook')->firstOrFail();
        self::assertGreaterThan(150, $handbook->head);
        self::assertSame(5, $handbook->versions()->distinct()->count('user_id'));
        self::assertSame(2, $handbook->versions()->whereHas('milestone')->count());
        self::assertSame(1, $handbook->versions()->where('cause', 'restored')->count());
        self::assertSame(2, HeldEdit::query()->whereNotNull('settled_at')->count());
        $log = Item::query()->where('title', 'Repair log')->firstOrFail();
        self::assertGreaterThan(200, $log->head);
        self::assertSame(
            [5, 3, 1],
            [
                $log->versions()->distinct()->count('user_id'),
                $log->versions()->whereHas('milestone')->count(),
                $log->versions()->where('cause', 'restored')->count(),
            ],
        );
        self::assertSame(
            ['blanked', 'formula_replaced', 'out_of_range'],
            array_values(
                array_intersect(
                    ['blanked', 'formula_replaced', 'out_of_range'],
                    array_merge(
                        ...$log
                            ->versions()
                            ->whereNotNull('unusual')
                            ->get()
                            ->map(fn (Version $version) => array_column($version->unusual ?? [], 'type'))
                            ->all(),
                    ),
                ),
            ),
        );
        $hours = Item::query()->where('title', 'Opening hours')->firstOrFail();
        self::assertSame([34, 31], [$hours->head, $hours->live?->version->number]);
        self::assertSame(
            [34, 'Summer hours, please check the Thursday.'],
            [$hours->publishings()->waiting()->firstOrFail()->version->number, $hours->publishings()->waiting()->firstOrFail()->note],
        );
        $states = Publishing::query()->pluck('state')->countBy(fn (PublishingState $state) => $state->value);
        self::assertSame([1, 2, 1], [$states['waiting'], $states['refused'], $states['edited']]);
        self::assertSame(3, Item::query()->where(['kind' => 'page', 'is_public' => true])->whereNotNull('live_id')->count());
        $report = Item::query()->where('title', 'Quarterly repairs')->firstOrFail();
        $board = $this->app->make(States::class)->tree($report->versions()->whereHas('milestone')->firstOrFail()->root);
        self::assertSame(
            [3, 13],
            [count($board->children()[PartTree::ROOT]), count(array_filter($board->parts, fn (Part $part) => $part->role === 'widget'))],
        );
        self::assertSame(
            [2, 'broke_widget'],
            [
                count($this->tree($report)->children()[PartTree::ROOT]),
                array_merge(
                    ...Version::query()
                        ->whereRelation('item', 'title', 'Spring repairs')
                        ->whereNotNull('unusual')
                        ->get()
                        ->map(fn (Version $version) => array_column($version->unusual ?? [], 'type'))
                        ->all(),
                )[0],
            ],
        );
        $booking = Item::query()->where('title', 'Book a repair')->firstOrFail();
        self::assertSame(146, $booking->entries()->count());
        $asked = array_column(array_filter($this->tree($booking)->parts, fn (Part $part) => $part->role === 'question'), 'id');
        self::assertSame(131, DB::table('answers')->where('form_id', $booking->id)->whereNotIn('question', $asked)->count());
        self::assertSame('2026-05-31', $handbook->changed_at->format('Y-m-d'));
    }
}
