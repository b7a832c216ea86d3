<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\View\ChangeLine;
use App\View\Phrases;
use Illuminate\Support\Facades\Lang;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\PartReader;
use MistyAttic\Core\Kinds\SchemaKind;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\RandomContent;
use Tests\Core\Sketch;

/** Every fact has its words: no key and no placeholder is ever shown. */
final class PhrasesTest extends FeatureCase
{
    public function test_numbers_that_are_unusual_are_told_as_people_write_them(): void
    {
        $phrases = $this->app->make(Phrases::class);
        self::assertSame(
            '1,520 of 1,528 cells were deleted at once',
            $phrases->unusual([['type' => 'blanked', 'part' => 'p1', 'evidence' => ['gone' => 1520, 'cells' => 1528]]]),
        );
        self::assertSame(
            '15,130.5 is unusual for its column',
            $phrases->unusual([['type' => 'out_of_range', 'part' => 'p1', 'evidence' => ['is' => 15130.5, 'was' => 0.0001]]]),
        );
    }

    public function test_a_count_has_its_separators_in_every_sentence(): void
    {
        self::assertSame(
            ['Added 12,345 rows', 'Added 999 rows'],
            [
                trans_choice('changes.added_rows', 12_345, ['of' => '']),
                trans_choice('changes.added_rows', 2, ['of' => '', 'count' => '999']),
            ],
        );
    }

    public function test_whatever_is_done_to_an_item_of_any_kind_is_said_in_words(): void
    {
        $phrases = new Phrases;
        $codes = [];
        for ($seed = 1; $seed <= 400; $seed++) {
            $kind = Kinds::all()[$seed % count(Kinds::all())];
            $random = new RandomContent($seed, $kind->name());
            $old = $random->tree(1 + $random->under(25));
            $new = $seed % 10 === 0 ? PartTree::of([]) : $random->edited($old, 1 + $random->under(8));
            foreach (Statements::of($kind, $old, $new, TreeCompare::of($old, $new)) as $statement) {
                $entry = new ChangeLine($statement, $phrases->statement($statement), [3], [], null);
                foreach ([$entry->sentence, $entry->plan(), $entry->planned()] as $text) {
                    self::assertDoesNotMatchRegularExpression('/changes\.|history\.|(?<![\w“]):\w+|\{\d|\|/', $text, $statement->code);
                }
                $codes[$statement->code] = true;
            }
        }
        self::assertGreaterThan(30, count($codes), 'too few sorts of changes came up to prove anything');
    }

    /** @return array<string, array{string, string, string}> old, new, sentence */
    public static function sentences(): array
    {
        return [
            'moved' => ["p1 . One.\np2 . Sign the log.", "p2 . Sign the log.\np1 . One.", 'Moved “Sign the log” up'],
            'a section' => ["h1 # Battery packs\np1 . A\np2 . B", 'p9 . x', 'Removed “Battery packs” with 2 parts below it'],
            'words' => [
                "h1 # Before the doors open\np1 . Look at it.",
                "h1 # Before the doors open\np1 . Test every socket.",
                'Rewrote 3 words in “Before the doors open”',
            ],
            'one word' => ['p1 . the red bin', 'p1 . the blue bin', 'Changed one word in “the blue bin”'],
            'a table’s rows' => [
                "h1 # Who to ask\nt1 |\n  r1 /\n    c1 = a\n  r2 /\n    c2 = b\n  r3 /\n    c3 = c",
                "h1 # Who to ask\nt1 |\n  r1 /\n    c1 = a",
                'Removed 2 rows of the table in “Who to ask”',
            ],
            'a tick' => ['i1 o new lamp', 'i1 x new lamp', 'Ticked off “new lamp”'],
            'a turn' => ['p1 . Tools', 'p1 # Tools', 'Turned “Tools” into a heading'],
            'empty' => ['p1 . One', "p1 . One\np2 .", 'Added an empty paragraph'],
        ];
    }

    #[DataProvider('sentences')]
    public function test_sentences_read_as_a_person_would_say_them(string $old, string $new, string $sentence): void
    {
        [$before, $after] = [Sketch::read($old), Sketch::read($new)];
        $most = Statements::mostTelling(Statements::of(new DocumentKind, $before, $after, TreeCompare::of($before, $after)));
        self::assertNotNull($most);
        self::assertSame($sentence, (new Phrases)->statement($most));
    }

    public function test_each_version_has_a_sentence_by_its_cause(): void
    {
        $ines = $this->person('Ines Oduya');
        $item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner]]), $ines, 'One.', 'Two.');
        $this->save($item, $ines, $this->paragraphs('One, rewritten.'));
        $this->actingAs($ines)->post(route('restore.store', [$item, 2]), ['seen' => 3]);
        $this->post(route('restore.undo', [$item, 4]));
        $this->post(route('copy.store', [$item, 2]), ['title' => 'Copy', 'shelf' => $item->shelf->key]);
        self::assertSame(
            [
                'Made the document',
                'Added 2 paragraphs from “One” on and one more change',
                'Removed “Two” and one more change',
                'Restored 2',
                'Took it back to 3',
            ],
            $this->said($item),
        );
        self::assertSame(['Copied out from 2 of “Bench rules”'], $this->said(Item::query()->where('title', 'Copy')->firstOrFail()));
    }

    public function test_every_problem_of_the_reader_has_its_words(): void
    {
        preg_match_all(
            "/(?:problem|Problem)\('(\w+)'/",
            (string) file_get_contents((string) (new \ReflectionClass(PartReader::class))->getFileName()),
            $codes,
        );
        self::assertGreaterThan(12, count($codes[1]));
        foreach ($codes[1] as $code) {
            self::assertTrue(Lang::has("problems.{$code}"), $code);
        }
    }

    public function test_every_part_of_every_kind_is_called_something_where_it_stays_as_it_is(): void
    {
        foreach (array_filter(Kinds::all(), fn (Kind $kind) => $kind->name() !== 'file') as $kind) {
            self::assertInstanceOf(SchemaKind::class, $kind);
            foreach ($kind->roles()::cases() as $role) {
                $noun = $kind->noun(new Part('pone', (string) $role->value, 0, []));
                self::assertTrue(Lang::has("changes.inner.{$noun}"), "{$kind->name()}: {$noun}");
            }
        }
    }

    public function test_monograms_and_names_of_all_sorts(): void
    {
        foreach (
            ['Ines Oduya' => 'IO', 'Cher' => 'CH', 'Jean-Luc van Dam' => 'JD', 'Ömer Şahin' => 'ÖŞ', 'x' => 'X', '  Ada   Brook ' => 'AB'] as $name => $monogram
        ) {
            self::assertSame($monogram, (new User(['name' => $name]))->monogram());
        }
    }

    /** @return list<string> */
    private function said(Item $item): array
    {
        $item->load('origin.item');

        return array_values(Version::query()->where('item_id', $item->id)->orderBy('number')->get()
            ->map(fn (Version $version) => (new Phrases)->version($version->setRelation('item', $item)))->all());
    }
}
