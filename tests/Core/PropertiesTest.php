<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Compare\Texts\Stretches;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Attribution;
use MistyAttic\Core\History\Step;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\ConflictType;
use MistyAttic\Core\Merge\Parting;
use MistyAttic\Core\Merge\Settlement;
use MistyAttic\Core\Merge\TakeOut;
use MistyAttic\Core\Merge\TreeMerge;
use MistyAttic\Core\Store\MemoryChunkStore;
use MistyAttic\Core\Store\TreeStore;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What must hold for any item of any kind and any edits. Set SEED to repeat a run, ROUNDS for a longer one. */
final class PropertiesTest extends TestCase
{
    private const ROUNDS = 60;

    private static int $seed;

    public static function setUpBeforeClass(): void
    {
        self::$seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        fwrite(STDERR, "\nproperty tests: SEED=".self::$seed."\n");
    }

    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kinds::all() as $kind) {
            yield $kind->name() => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_what_is_made_fits_the_schema_and_comes_back_from_its_json(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random) use ($kind): void {
            $tree = $random->edited($random->tree(1 + $random->under(25)), $random->under(6));
            $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $tree->parts)), true);
            $reading = $kind->read($sent, new Limits);
            self::assertSame([], $reading->problems);
            self::assertSame($this->records($tree), $this->records($reading->tree ?? PartTree::of([])));
            foreach ($tree->parts as $part) {
                $kind->label($tree, $part);
                $place = $kind->place($tree, $part);
                self::assertTrue($place === null || $tree->has($place));
            }
        });
    }

    #[DataProvider('kinds')]
    public function test_applying_the_difference_gives_the_other_side_and_its_inverse_undoes_it(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$old, $new] = $this->pair($random);
            $changes = TreeCompare::of($old, $new);
            self::assertSame($this->records($new), $this->records($changes->apply($old)->orFail()));
            self::assertSame($this->records($old), $this->records($changes->invert()->apply($new)->orFail()));
            self::assertTrue(TreeCompare::of($new, $new)->isEmpty());
            $json = (string) json_encode($changes->toJson());
            $back = ChangeSet::fromJson(json_decode($json, true));
            self::assertSame($json, json_encode($back->toJson()));
            self::assertSame($this->records($new), $this->records($back->apply($old)->orFail()));
        });
    }

    #[DataProvider('kinds')]
    public function test_picked_changes_lead_to_a_sound_state_between(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random) use ($kind): void {
            [$old, $new] = $this->pair($random);
            $changes = TreeCompare::of($old, $new);
            $keys = array_values(
                array_filter(array_map(fn (Change $change) => $change->key(), $changes->changes), fn () => $random->under(2) === 0),
            );
            $picked = $changes->pick($old, [...$keys, 'added:nowhere']);
            self::assertSame(['added:nowhere'], $picked->unknown);
            $between = $picked->changes->apply($old)->orFail();
            self::assertSame(
                [],
                $kind->read(
                    json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $between->parts)), true),
                    new Limits,
                )->problems,
            );
            $done = TreeCompare::of($old, $between)->touched();
            foreach ($this->touchedInPlace($between, $new) + $this->touchedInPlace($old, $between) as $id => $unused) {
                self::assertArrayHasKey($id, $changes->touched(), 'A state between differs from both ends only where they differ');
            }
            foreach ($keys as $key) {
                [$type, $id] = explode(':', $key);
                if ($type !== 'moved') {
                    self::assertTrue((($done[$id] ?? 0) & ChangeType::from($type)->bit()) > 0, "{$key} was picked");
                }
            }
            $all = $changes->pick($old, array_map(fn (Change $change) => $change->key(), $changes->changes));
            self::assertSame([], $all->also);
            self::assertSame($this->records($new), $this->records($all->changes->apply($old)->orFail()));
        });
    }

    #[DataProvider('kinds')]
    public function test_some_changes_and_the_others_are_all_of_them(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random) use ($kind): void {
            [$is, $becomes] = $this->pair($random);
            $keys = [];
            foreach (TreeCompare::of($is, $becomes)->changes as $change) {
                foreach (
                    $change->before?->role !== $change->after?->role || $change->fields() === [] ? [''] : $change->fields() as $field
                ) {
                    [$was, $now] = [$change->before->fields[$field] ?? null, $change->after->fields[$field] ?? null];
                    $places = $field !== '' && $was instanceof RichText && $now instanceof RichText
                        ? array_map(fn (int $place) => "~{$place}", array_keys(Stretches::of($was, $now, new Words)->places))
                        : [''];
                    array_push(
                        $keys,
                        ...array_map(fn (string $place) => $change->key().($field === '' ? '' : "/{$field}").$place, $places),
                    );
                }
            }
            $all = Parting::of($is, $becomes, $keys);
            self::assertSame([$this->records($becomes), $this->records($is)], [$this->records($all->with), $this->records($all->without)]);
            $none = Parting::of($is, $becomes, []);
            self::assertSame(
                [$this->records($is), $this->records($becomes)],
                [$this->records($none->with), $this->records($none->without)],
            );
            $some = Parting::of($is, $becomes, array_values(array_filter($keys, fn () => $random->under(2) === 0)));
            foreach ([$some->with, $some->without] as $tree) {
                self::assertSame(
                    [],
                    $kind->read(
                        json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $tree->parts)), true),
                        new Limits,
                    )->problems,
                );
            }
            foreach ($is->parts as $part) {
                // Every field of what is on both sides has changed in one of the two, or every place of its text has.
                // A cell goes with its column, and stays with it.
                foreach (
                    $becomes->has($part->id) && $some->with->has($part->id) && $some->without->has($part->id)
                        ? array_filter(
                            $part->differing($becomes->get($part->id)),
                            fn (string $field) => $is->has($field) === $becomes->has($field),
                        )
                        : [] as $field
                ) {
                    [$was, $with, $without, $now] = array_map(fn (PartTree $tree) => $tree->get($part->id)->fields[$field] ?? null, [
                        $is,
                        $some->with,
                        $some->without,
                        $becomes,
                    ]);
                    if ($was instanceof RichText && $with instanceof RichText && $without instanceof RichText && $now instanceof RichText) {
                        $letters = fn (RichText $one, RichText $two): array => count_chars($one->text().$two->text(), 1);
                        self::assertSame($letters($was, $now), $letters($with, $without), "{$field} of {$part->id}");
                    } else {
                        self::assertTrue(
                            (Part::same($was, $with) && Part::same($now, $without))
                                || (Part::same($now, $with) && Part::same($was, $without)),
                            "{$field} of {$part->id}",
                        );
                    }
                }
            }
        });
    }

    #[DataProvider('kinds')]
    public function test_changes_fit_a_tree_that_moved_on_or_say_what_does_not(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$base, $one, $two] = $this->fork($random);
            $applied = TreeCompare::of($base, $one)->apply($two);
            self::assertSame($applied->tree === null, $applied->misfits !== []);
            if ($applied->tree !== null) {
                foreach ($this->touchedInPlace($two, $applied->tree) as $id => $unused) {
                    self::assertArrayHasKey($id, TreeCompare::of($base, $one)->touched());
                }
            }
        });
    }

    #[DataProvider('kinds')]
    public function test_matching_finds_equal_content_again_and_keeps_all_of_it(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random) use ($kind): void {
            [$old, $new] = $this->pair($random);
            $same = Matching::adopt($old, $random->renamed($old, 'x'), $kind->grid())->tree;
            self::assertSame($this->records($old), $this->records($same));
            $stranger = $random->renamed($new, 'x');
            $adopted = Matching::adopt($old, $stranger, $kind->grid())->tree;
            self::assertSame($this->records($stranger), $this->records($random->renamed($adopted, 'x')));
            self::assertSame($this->records($adopted), $this->records(TreeCompare::of($old, $adopted)->apply($old)->orFail()));
            // Two files number their rows alike, whatever is in them.
            $numbered = $random->renamed($old, 'x');
            $adopted = Matching::adopt($numbered, $stranger, $kind->grid())->tree;
            self::assertCount($stranger->count(), $adopted->byId());
            self::assertSame($this->records($stranger), $this->records($random->renamed($adopted, 'x')));
            self::assertSame($this->records($adopted), $this->records(TreeCompare::of($numbered, $adopted)->apply($numbered)->orFail()));
        });
    }

    #[DataProvider('kinds')]
    public function test_the_layout_shows_every_part_of_both_sides_once(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$old, $new] = $this->pair($random);
            $shown = [];
            $open = Layout::of($old, $new, TreeCompare::of($old, $new));
            while ($open !== []) {
                $marked = array_pop($open);
                $shown[] = $marked->part->id;
                array_push($open, ...$marked->children);
            }
            $both = array_unique([...array_column($old->parts, 'id'), ...array_column($new->parts, 'id')]);
            sort($shown);
            sort($both);
            self::assertSame($both, $shown);
        });
    }

    #[DataProvider('kinds')]
    public function test_every_change_is_in_a_statement(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random) use ($kind): void {
            [$old, $new] = $this->pair($random);
            $changes = TreeCompare::of($old, $new);
            $said = [];
            foreach (Statements::of($kind, $old, $new, $changes) as $statement) {
                foreach ($statement->ids as $id) {
                    $said[$statement->type->value.$id] = true;
                }
                foreach ($statement->with as $key) {
                    $said[str_replace(':', '', $key)] = true;
                }
            }
            foreach ($changes->changes as $change) {
                // That a cell came or went with its column is said with the column.
                $own = array_filter($change->fields(), fn (string $field) => $old->has($field) === $new->has($field));
                if ($change->type !== ChangeType::Edited || $own !== [] || $change->before?->role !== $change->after?->role) {
                    self::assertArrayHasKey($change->type->value.$change->id, $said);
                }
            }
        });
    }

    #[DataProvider('kinds')]
    public function test_merging_with_an_unchanged_side_gives_the_other(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$base, $one] = $this->pair($random);
            self::assertSame($this->records($one), $this->records(TreeMerge::of($base, $base, $one)->tree));
            self::assertSame($this->records($one), $this->records(TreeMerge::of($base, $one, $base)->tree));
            self::assertSame($this->records($one), $this->records(TreeMerge::of($base, $one, $one)->tree));
            self::assertSame([], TreeMerge::of($base, $one, $one)->conflicts);
        });
    }

    #[DataProvider('kinds')]
    public function test_merging_commutes_where_nothing_met(Kind $kind): void
    {
        $clean = 0;
        $this->rounds($kind, function (RandomContent $random) use (&$clean): void {
            [$base, $one, $two] = $this->fork($random);
            $merge = TreeMerge::of($base, $one, $two);
            $back = TreeMerge::of($base, $two, $one);
            self::assertSame($merge->conflicts === [], $back->conflicts === []);
            if ($merge->conflicts === []) {
                $clean++;
                self::assertSame($this->records($merge->tree), $this->records($back->tree));
            }
        });
        getenv('ROUNDS') !== false
            || self::assertGreaterThan(self::ROUNDS / 10, $clean, 'Too few rounds without a conflict to prove anything');
    }

    #[DataProvider('kinds')]
    public function test_a_merge_loses_nothing_that_one_side_added_and_the_other_left_alone(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$base, $one, $two] = $this->fork($random);
            $merge = TreeMerge::of($base, $one, $two);
            PartTree::of($merge->tree->parts);
            $held = [];
            foreach ($merge->conflicts as $conflict) {
                foreach ($conflict->mine as $part) {
                    $held[$part->id] = true;
                }
            }
            foreach (TreeCompare::of($base, $two)->of(ChangeType::Added) as $change) {
                self::assertTrue($merge->tree->has($change->id) || isset($held[$change->id]), "{$change->id} is lost");
            }
            foreach ($one->parts as $part) {
                self::assertTrue($merge->tree->has($part->id) || ! $two->has($part->id), "{$part->id} of theirs is lost");
            }
        });
    }

    #[DataProvider('kinds')]
    public function test_what_was_removed_under_an_edit_comes_back_all_at_once_as_one_by_one(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            $this->comesBackAllAtOnce(...$this->fork($random));
        });
    }

    /** A column moved into a section that went, and of what is in it one went by itself. */
    public function test_what_was_removed_by_itself_comes_back_once_though_it_comes_below_another(): void
    {
        $part = fn (string $id, string $role, int $depth): Part => new Part($id, $role, max(0, $depth), []);
        $base = [$part('gone', 'section', 0), $part('sect', 'section', 0), $part('colu', 'column', 1), $part('rule', 'divider', 2)];
        $theirs = [$part('sect', 'section', 0), $part('colu', 'column', 1)];
        $mine = [
            $part('gone', 'section', 0),
            $part('colu', 'column', 1),
            $part('rule', 'divider', 2)->with('text', RichText::plain('x')),
            $part('sect', 'section', 0),
        ];
        $this->comesBackAllAtOnce(PartTree::of($base), PartTree::of($theirs), PartTree::of($mine));
    }

    private function comesBackAllAtOnce(PartTree $base, PartTree $theirs, PartTree $mine): void
    {
        $merge = TreeMerge::of($base, $theirs, $mine);
        $removed = array_values(array_filter($merge->conflicts, fn (Conflict $conflict) => $conflict->type === ConflictType::EditedRemoved));
        $once = Settlement::restored($merge->tree, $removed);
        $single = array_reduce(
            $removed,
            fn (PartTree $tree, Conflict $conflict) => Settlement::of($tree, $conflict, Choice::Mine),
            $merge->tree,
        );
        [$one, $two] = [$this->records(PartTree::of($once->parts)), $this->records(PartTree::of($single->parts))];
        sort($one);
        sort($two);
        self::assertSame($two, $one);
    }

    #[DataProvider('kinds')]
    public function test_a_merge_drops_no_value_that_only_one_side_wrote(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$base, $one, $two] = $this->fork($random);
            $merge = TreeMerge::of($base, $one, $two);
            $held = array_merge(
                ...array_map(
                    fn (Conflict $conflict) => [$conflict->id, ...array_column($conflict->mine, 'id'), ...array_keys($conflict->cells)],
                    $merge->conflicts,
                ),
                ...[[]],
            );
            foreach ([[$one, $two], [$two, $one]] as [$writer, $other]) {
                foreach (TreeCompare::of($base, $writer)->of(ChangeType::Edited) as $change) {
                    $now = $merge->tree->find($change->id);
                    if (
                        $now === null
                        || ! $other->has($change->id)
                        || in_array($change->id, $held, true)
                        || $base->get($change->id)->role !== $now->role
                    ) {
                        continue;
                    }
                    foreach ($change->fields() as $field) {
                        if (
                            ! in_array($field, $held, true)
                            && Part::same($other->get($change->id)->fields[$field] ?? null, $base->get($change->id)->fields[$field] ?? null)
                            && $other->has($field) === $base->has($field)
                        ) {
                            self::assertTrue(
                                Part::same($now->fields[$field] ?? null, $change->after->fields[$field] ?? null),
                                "{$field} of {$change->id} is lost",
                            );
                        }
                    }
                }
            }
        });
    }

    #[DataProvider('kinds')]
    public function test_a_merge_repaired_still_fits_the_schema(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random) use ($kind): void {
            [$base, $one, $two] = $this->fork($random);
            $merged = TreeMerge::of($base, $one, $two)->tree;
            $tree = $kind->repair($merged);
            $cells = fn (PartTree $of): int => array_sum(array_map(fn (Part $part) => count($part->fields), $of->parts));
            self::assertTrue($kind->grid() === null || $cells($tree) === $cells($merged), 'no cell is left without its column');
            $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $tree->parts)), true);
            self::assertSame([], $kind->read($sent, new Limits)->problems);
        });
    }

    #[DataProvider('kinds')]
    public function test_taking_out_the_last_version_gives_the_one_before(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            [$old, $new] = $this->pair($random);
            $out = TakeOut::of($new, [[$old, $new]]);
            self::assertSame([], $out->conflicts);
            self::assertSame($this->records($old), $this->records($out->tree));
        });
    }

    #[DataProvider('kinds')]
    public function test_authorship_knows_every_word_and_cell_that_is_there(Kind $kind): void
    {
        $words = new Words;
        $this->rounds($kind, function (RandomContent $random) use ($kind, $words): void {
            $tree = $random->tree(1 + $random->under(15));
            $steps = [new Step(1, 1, TreeCompare::of(PartTree::of([]), $tree))];
            for ($number = 2; $number < 7; $number++) {
                $next = $random->edited($tree, 1 + $random->under(3));
                $steps[] = new Step($number, 1 + $random->under(3), TreeCompare::of($tree, $next));
                $tree = $next;
            }
            $history = new Attribution($steps, $kind->grid());
            $standing = $cells = 0;
            foreach ($tree->parts as $part) {
                self::assertNotNull($history->ofPart($part->id));
                foreach ($part->fields as $field => $value) {
                    self::assertNotNull($history->ofField($part->id, (string) $field));
                    if ($value instanceof RichText) {
                        self::assertCount(count($words->of($value)), $history->ofWords($part->id, (string) $field) ?? []);
                        self::assertNotContains(null, $history->ofWords($part->id, (string) $field) ?? []);
                        $standing += $words->count($value);
                    } elseif ($part->role === $kind->grid()?->row) {
                        $cells++;
                    }
                }
            }
            $all = $history->contributions();
            self::assertSame($standing, array_sum(array_column($all, 'wordsStanding')));
            self::assertSame($cells, array_sum(array_column($all, 'cellsStanding')));
            self::assertSame($tree->count(), array_sum(array_column($all, 'partsStanding')));
            self::assertSame($standing, array_sum(array_column($all, 'wordsAdded')) - array_sum(array_column($all, 'wordsRemoved')));
            self::assertSame($tree->count(), array_sum(array_column($all, 'partsAdded')) - array_sum(array_column($all, 'partsRemoved')));
        });
    }

    #[DataProvider('kinds')]
    public function test_what_is_stored_comes_back_and_the_root_depends_on_the_content_alone(Kind $kind): void
    {
        $this->rounds($kind, function (RandomContent $random): void {
            $chunks = new MemoryChunkStore;
            $store = new TreeStore($chunks);
            $first = $random->tree($random->under(200));
            $second = $random->edited($first, 1 + $random->under(5));
            $near = $store->keep($first);
            $root = $store->keep($second, $near);
            $read = $store->tree($root);
            self::assertSame($this->records($second), $this->records($read));
            // Fields that are read late are those that are read at once.
            self::assertEquals(array_column($store->window($root, 0, $second->count()), 'fields'), array_column($read->parts, 'fields'));
            self::assertTrue($second->equals($read));
            self::assertSame($root, (new TreeStore(new MemoryChunkStore))->keep($second));
            $position = $random->under(max(1, $second->count()));
            self::assertSame(($second->parts[$position] ?? null)?->record(), $store->part($root, $position)?->record());
            $stored = TreeCompare::between($store->compare($near, $root));
            $judge = TreeCompare::of($first, $second);
            self::assertSame($this->records($second), $this->records($stored->apply($first)->orFail()));
            foreach ([ChangeType::Added, ChangeType::Removed, ChangeType::Edited] as $type) {
                self::assertEquals(array_column($judge->of($type), 'id'), array_column($stored->of($type), 'id'));
            }
            self::assertGreaterThanOrEqual(count($judge->of(ChangeType::Moved)), count($stored->of(ChangeType::Moved)));
        }, 20);
    }

    /** @param \Closure(RandomContent): void $property */
    private function rounds(Kind $kind, \Closure $property, int $rounds = self::ROUNDS): void
    {
        $rounds = (int) (getenv('ROUNDS') ?: $rounds);
        for ($round = 0; $round < $rounds; $round++) {
            $random = new RandomContent(self::$seed + $round, $kind->name());
            try {
                $property($random);
            } catch (\Throwable $e) {
                throw new \RuntimeException("SEED={$random->seed} {$kind->name()}: {$e->getMessage()}", 0, $e);
            }
        }
    }

    /** @return array{PartTree, PartTree} a state and one that came of it */
    private function pair(RandomContent $random): array
    {
        $old = $random->tree(1 + $random->under(25));

        return [$old, $random->edited($old, $random->under(8))];
    }

    /** @return array{PartTree, PartTree, PartTree} a base and two ways on from it */
    private function fork(RandomContent $random): array
    {
        $base = $random->tree(4 + $random->under(20));

        return [
            $base,
            $random->other(1_000_000, 'q')->edited($base, 1 + $random->under(4)),
            $random->other(2_000_000, 'r')->edited($base, 1 + $random->under(4)),
        ];
    }

    /** @return array<string, int> what changed but for its place, since one order may come of another in more ways than one */
    private function touchedInPlace(PartTree $old, PartTree $new): array
    {
        return array_filter(TreeCompare::of($old, $new)->touched(), fn (int $what) => $what !== ChangeType::Moved->bit());
    }

    /** @return list<string> */
    private function records(PartTree $tree): array
    {
        return array_map(fn (Part $part) => $part->record(), $tree->parts);
    }
}
