<?php

declare(strict_types=1);

namespace Tests\World;

use App\Kinds\Dataset\Following\ReadSource;
use App\Kinds\Dataset\Following\TakeInData;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Store\States;
use App\Watching\Watch;
use Illuminate\Support\Facades\Date;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Tests\Feature\FeatureCase;
use Tests\Kinds\Board\Board;

/**
 * Random people at work in every kind that is written together, and the laws that must hold whatever they do.
 *
 * ATTIC_WORLD_SEED is the seed of the fresh run, ATTIC_WORLD_STEPS how many steps each run has. What fails prints its seed and the
 * fewest steps that still fail; such a script is kept in `cases/` as NAME.txt.
 */
final class WorldTest extends FeatureCase
{
    private const KINDS = ['document', 'page', 'form', 'spreadsheet', 'dataset', 'report', 'board', 'file'];

    /** Steps of one world; a long run lives in many. */
    private const LIFE = 250;

    /** Steps after which the laws are looked at. */
    private const EACH = 20;

    /** Whether every table counts as a large one, of which only what differs is read. */
    private bool $large = false;

    /**
     * Whether two of them turn out to be one when all is done, and some items go for good, which takes longer than all else: of a script
     * only when it says `// to the end`.
     */
    private bool $merges = true;

    /** Steps of the life that was lived last, up to the one behind which a law did not hold. */
    private int $done = 0;

    #[TestWith([17])]
    #[TestWith([0])]
    public function test_the_laws_hold(int $seed): void
    {
        $steps = (int) (getenv('ATTIC_WORLD_STEPS') ?: 500);
        $seed = $seed === 0 ? (int) (getenv('ATTIC_WORLD_SEED') ?: random_int(1, 1_000_000)) : $seed;
        $chance = new Chance($seed);
        for ($lived = 0; $lived < $steps; $lived += self::LIFE) {
            $life = $this->life(new Chance($of = $chance->seed()), min(self::LIFE, $steps - $lived));
            $this->large = $of % 2 === 0;
            $broken = $this->live($life);
            if ($broken !== null) {
                fwrite(
                    STDERR,
                    "world: seed {$seed}, life {$of}: {$broken->getMessage()}. Looking for the fewest steps, which takes a while.\n",
                );
                self::fail(
                    "World of seed {$seed}, life {$of}.\n"
                        .($this->large ? "// large\n" : '')
                        ."// to the end\n"
                        .$this->shrunk($life, $broken),
                );
            }
        }
        fwrite(STDERR, "world: seed {$seed}, {$lived} steps\n");
        $this->addToAssertionCount(1);
    }

    /** @return array<string, array{string}> */
    public static function scripts(): array
    {
        $scripts = [];
        foreach (glob(__DIR__.'/cases/*.txt') ?: [] as $file) {
            $scripts[basename($file, '.txt')] = [$file];
        }

        return $scripts;
    }

    #[DataProvider('scripts')]
    public function test_a_script_that_failed_once(string $file): void
    {
        $said = file($file, FILE_IGNORE_NEW_LINES) ?: [];
        [$this->large, $this->merges] = [in_array('// large', $said, true), in_array('// to the end', $said, true)];
        $lines = array_filter($said, fn (string $line) => $line !== '' && $line[0] !== '/');
        self::assertNull($this->live(array_map(Step::read(...), array_values($lines)))?->getMessage());
    }

    /** @return list<Step> */
    private function life(Chance $chance, int $length): array
    {
        $deeds = array_merge(...array_map(fn (Deed $deed) => array_fill(0, $deed->weight(), $deed), Deed::cases()));
        $steps = [];
        for ($step = ['ines', 1, 'document']; count($steps) < $length;) {
            // Somebody often goes on where they were.
            $step = $chance->under(5) < 2
                ? $step
                : [$chance->of(['ines', 'tobi', 'nell', 'jun']), $chance->under(4) === 0 ? 2 : 1, $chance->of(self::KINDS)];
            $steps[] = new Step(...[...$step, $chance->of($deeds), $chance->seed()]);
        }

        return $steps;
    }

    /** @param list<Step> $steps */
    private function live(array $steps): ?Broken
    {
        $this->tearDown();
        $this->setUp();
        config(['attic.large' => $this->large ? 3 : 4_000]);
        $world = $this->world();
        $laws = new Laws($world);
        $this->done = 0;
        try {
            foreach ($steps as $at => $step) {
                $this->done++;
                $world->do($step);
                if ($at % self::EACH === self::EACH - 1) {
                    $laws->hold();
                }
            }
            $world->writing->comeHome();
            $laws->holdAtTheEnd($this->merges);
        } catch (Broken $broken) {
            return $broken;
        } catch (\Throwable $error) {
            return new Broken(
                'No error: '.get_class($error).': '.$error->getMessage().' at '.$error->getFile().':'.$error->getLine(),
                0,
                $error,
            );
        }

        return null;
    }

    /**
     * The fewest steps that still break the same law, by leaving out ever smaller pieces (A. Zeller and R. Hildebrandt, “Simplifying
     * and Isolating Failure-Inducing Input”, IEEE TSE 28/2, 2002).
     *
     * @param  list<Step>  $steps
     */
    private function shrunk(array $steps, Broken $broken): string
    {
        $law = explode(':', $broken->getMessage())[0];
        $steps = array_slice($steps, 0, $this->done);
        for ($size = intdiv(count($steps), 2), $tries = 0; $size >= 1 && $tries < 300; $size = $left ? $size : intdiv($size, 2)) {
            $left = false;
            for ($at = 0; $at < count($steps) && $tries < 300; $tries++) {
                $fewer = [...array_slice($steps, 0, $at), ...array_slice($steps, $at + $size)];
                $again = $this->live($fewer);
                if ($again !== null && explode(':', $again->getMessage())[0] === $law) {
                    [$steps, $broken, $left] = [array_slice($fewer, 0, $this->done), $again, true];
                } else {
                    $at += $size;
                }
            }
        }

        return "{$broken->getMessage()}\n".implode("\n", $steps);
    }

    private function world(): World
    {
        $people = [
            'ines' => $this->person('Ines Oduya'),
            'tobi' => $this->person('Tobi Falk'),
            'nell' => $this->person('Nell Warwick'),
            'jun' => $this->person('Jun Abara'),
            'rafi' => $this->person('Rafi Sand'),
            'visitor' => User::visitor(),
            'stranger' => $this->person('Sol Marsh'),
        ];
        $shelf = $this->shelf('Volunteers', [
            [$people['ines'], Role::Owner],
            [$people['tobi'], Role::Editor],
            [$people['nell'], Role::Editor],
            [$people['jun'], Role::Editor],
            [$people['rafi'], Role::Viewer],
        ]);
        $people['ines']->forceFill(['keeps_place' => true])->save();
        foreach (['rafi', 'tobi', 'nell'] as $who) {
            Watch::say($people[$who], $shelf, 'all');
        }
        $people['rafi']->forceFill(['feed_key' => str_repeat('r', 40)])->save();
        $items = [];
        foreach (self::KINDS as $kind) {
            $items[$kind] = $this->app->make(MakeItem::class)->handle($shelf, $people['ines'], $kind, ucfirst($kind));
            $this->save($items[$kind], $people['ines'], $this->start($kind));
        }
        $this->publish($items['form'], $people['ines']);
        $this->open($items['form'], 'form-of-the-world');
        Date::setTestNow(Date::now()->addHour());

        $take = $this->app->make(TakeInData::class);
        $followers = [];
        foreach (['spreadsheet' => 'tab1', 'form' => null] as $kind => $tab) {
            $source = $this->app->make(ReadSource::class)->item($items[$kind]->refresh(), $tab, null)
            ?? throw new \LogicException('There is a source');
            $followers[$kind] = $take->make($shelf, $people['ines'], "Follows the {$kind}", $source, $source->types(), bound: true);
            $take->bind($followers[$kind], $items[$kind], $tab, null);
        }

        $states = $this->app->make(States::class);
        $datasets = ['dataset' => $items['dataset']->refresh()] + array_map(fn (Item $dataset) => $dataset->refresh(), $followers);
        $figures = $this->app->make(MakeItem::class)->handle($shelf, $people['ines'], 'report', 'Figures');
        $this->save(
            $figures,
            $people['ines'],
            Figured::start(array_map(fn (Item $dataset): array => [$dataset, $states->tree($dataset->root)], $datasets)),
        );

        return new World($this, $states, $people, $items, $shelf, $followers, $figures);
    }

    private function start(string $kind): PartTree
    {
        $word = fn (string $text): RichText => RichText::plain($text);

        return match ($kind) {
            'document' => PartTree::of([
                new Part('hea1', 'heading', 0, ['level' => 1, 'text' => $word('Opening the bench')]),
                new Part('par1', 'paragraph', 0, ['text' => $word('Test every socket before anybody plugs in a thing.')]),
                new Part('lis1', 'item', 0, ['style' => 'bullet', 'done' => false, 'text' => $word('Sign the log')]),
                new Part('lis2', 'item', 1, ['style' => 'bullet', 'done' => false, 'text' => $word('with the time')]),
                new Part('par2', 'paragraph', 0, ['text' => $word('Close the window and take the bins out.')]),
            ]),
            'page' => PartTree::of([
                new Part('sect', 'section', 0, ['title' => 'When', 'background' => 'plain']),
                new Part('colu', 'column', 1, ['width' => 12]),
                new Part('bloc', 'rich_text', 2, ['style' => 'plain', 'text' => $word('Open on Saturdays.')]),
                new Part('not1', 'call_out', 2, ['tone' => 'note', 'text' => $word('Bring the leads.')]),
            ]),
            'form' => PartTree::of([
                new Part('sett', 'settings', 0, [
                    'once' => false,
                    'audience' => 'anyone',
                    'editable' => true,
                    'thanks' => $word('Thank you.'),
                ]),
                new Part('fpag', 'page', 0, ['title' => 'You']),
                new Part('ques', 'question', 1, ['type' => 'short', 'text' => $word('What is wrong with it?'), 'required' => false]),
                new Part('quen', 'question', 1, ['type' => 'one', 'text' => $word('Which day?'), 'required' => false]),
                new Part('cho1', 'choice', 2, ['label' => 'Saturday', 'other' => false]),
                new Part('cho2', 'choice', 2, ['label' => 'Sunday', 'other' => false]),
                new Part('quef', 'question', 1, ['type' => 'file', 'text' => $word('A picture of it?'), 'required' => false]),
            ]),
            'dataset' => PartTree::of([
                new Part('cfig1', 'field', 0, ['name' => 'Kg', 'type' => 'number']),
                new Part('ctxt1', 'field', 0, ['name' => 'What', 'type' => 'text']),
                new Part('rec1', 'record', 0, ['cfig1' => 3, 'ctxt1' => 'kettle']),
                new Part('rec2', 'record', 0, ['cfig1' => 1]),
                new Part('rec3', 'record', 0, ['ctxt1' => 'lamp']),
            ]),
            'report' => PartTree::of([
                new Part('rpag', 'page', 0, ['title' => 'The month']),
                new Part('wid1', 'widget', 1, [
                    'type' => 'text',
                    'title' => 'Leads',
                    'text' => $word('Four leads came.'),
                    'x' => 0,
                    'y' => 0,
                    'across' => 6,
                    'down' => 4,
                ]),
                new Part('wid2', 'widget', 1, [
                    'type' => 'text',
                    'title' => 'Lamps',
                    'text' => $word('Two lamps went.'),
                    'x' => 6,
                    'y' => 0,
                    'across' => 6,
                    'down' => 4,
                ]),
            ]),
            'board' => Board::start(),
            'file' => PartTree::of([
                new Part('fil1', 'bytes', 0, ['name' => 'notes.txt', 'media' => 'text/plain', 'mark' => false]),
                new Part('lin1', 'line', 1, ['text' => $word('Test every socket'), 'end' => 'lf']),
                new Part('lin2', 'line', 1, ['text' => $word('Sign the log'), 'end' => 'lf']),
                new Part('lin3', 'line', 1, ['text' => $word('Close the window'), 'end' => '']),
            ]),
            default => PartTree::of([
                new Part('tab1', 'tab', 0, ['name' => 'June', 'frozen' => 0]),
                new Part('cfig1', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('cfig2', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('ctxt1', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('rrr1', 'row', 1, ['cfig1' => 3, 'ctxt1' => 'kettle']),
                new Part('rrr2', 'row', 1, ['cfig1' => 1, 'cfig2' => 5]),
                new Part('rrr3', 'row', 1, ['cfig1' => 2]),
                new Part('rrr4', 'row', 1, ['cfig2' => 9]),
                new Part('rsum', 'row', 1, [
                    'cfig1' => ['=', 'SUM([rrr1.cfig1]:[rrr4.cfig1])'],
                    'cfig2' => ['=', 'SUM([rrr1.cfig2]:[rrr4.cfig2])'],
                ]),
            ]),
        };
    }
}
