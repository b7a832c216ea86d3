<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Kinds\Dataset\DatasetColumns;
use App\Kinds\Dataset\DatasetView;
use App\Kinds\Form\TakeEntry;
use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\Words\Days;
use App\Words\Ways;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Date;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Datasets: what they are filled from, their fields, and their history. */
final class DatasetsTest extends FeatureCase
{
    private const CSV = "Day,Thing,Minutes,Mended,Paid\n2026-01-03,A toaster,35,yes,4.50\n2026-01-10,A lamp,20,no,\n2026-02-07,A radio,80,yes,\"1,200.00\"\n2026-02-14,\"=HYPERLINK(\"\"x\"\")\",15,no,2\n";

    /** @var array<string, User> */
    private array $people;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = [
            'owner' => $this->person('Ines Oduya'),
            'editor' => $this->person('Tobi Brandt'),
            'viewer' => $this->person('Jun Castell'),
            'stranger' => $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Committee', [
            [$this->people['owner'], Role::Owner],
            [$this->people['editor'], Role::Editor],
            [$this->people['viewer'], Role::Viewer],
        ]);
        $this->actingAs($this->people['editor']);
    }

    /** @param array<string, string> $types */
    private function dataset(string $csv = self::CSV, array $types = []): Item
    {
        $look = $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('log.csv', $csv),
        ])->assertOk();
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => $seal[1] ?? '',
            'title' => 'Repair log',
            'types' => $types,
        ])->assertRedirect();

        return Item::query()->where('kind', 'dataset')->latest('id')->firstOrFail();
    }

    /** @return array<string, Part> by name */
    private function fields(Item $item): array
    {
        return array_column(
            array_map(
                fn (Part $part) => [$part->string('name'), $part],
                array_filter($this->tree($item->refresh())->parts, fn (Part $part) => $part->role === 'field'),
            ),
            1,
            0,
        );
    }

    /**
     * @param  array<string, mixed>  $sent
     * @return TestResponse<Response>
     */
    private function field(Item $item, string $field, array $sent): TestResponse
    {
        return $this->put(route('field.save', [$item, $field]), ['base' => $item->refresh()->root, ...$sent]);
    }

    public function test_a_file_is_looked_at_before_it_is_taken_and_its_types_are_proposed(): void
    {
        $look = $this->post(route('dataset.look', $this->shelf), ['file' => UploadedFile::fake()->createWithContent('log.csv', self::CSV)])
            ->assertOk()
            ->assertSee('4 records with 5 fields');
        self::assertSame(0, Item::query()->count());
        preg_match_all('/<option value="(\w+)" selected>/', (string) $look->getContent(), $selected);
        self::assertSame(['date', 'text', 'number', 'boolean', 'number'], $selected[1]);
        $item = $this->dataset();
        $data = Records::of($this->tree($item));
        $ids = array_map(fn (Part $field) => $field->id, $this->fields($item));
        self::assertSame(
            [['2026-01-03', '2026-01-10', '2026-02-07', '2026-02-14'], [35, 20, 80, 15], [true, false, true, false], [4.5, null, 1200, 2]],
            array_map(fn (string $name) => $data->column($ids[$name]), ['Day', 'Minutes', 'Mended', 'Paid']),
        );
        $this->get(route('item', $item))->assertOk()->assertSee('A toaster')->assertSee('1200');
        $this->assertVerified();
    }

    public function test_what_comes_in_is_told_apart_and_what_went_out_comes_in_again(): void
    {
        // Another tab of a workbook.
        $book = new Spreadsheet;
        $book
            ->getActiveSheet()
            ->setTitle('First')
            ->fromArray([['Bench', 'Bench', 'Sum'], ['Wood', 'Oak', 4], ['Cloth', 'Silk', '#DIV/0!'], ['Heat', 'Iron', 2]]);
        $book
            ->createSheet()
            ->setTitle('Second')
            ->fromArray([['Who'], ['Ada']]);
        (new Xlsx($book))->save($path = (string) tempnam(sys_get_temp_dir(), 'book'));
        $look = $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('book.xlsx', (string) file_get_contents($path)),
        ])
            ->assertOk()
            ->assertSee('3 records with 3 fields')
            ->assertSee('Bench 2')
            ->assertSee('Look at that one');
        preg_match_all('/<option value="(\w+)" selected>/', (string) $look->getContent(), $selected);
        self::assertSame(['0', 'text', 'text', 'number'], $selected[1]);
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        $look = $this->post(route('dataset.look', $this->shelf), ['seal' => $seal[1] ?? '', 'tab' => 1])
            ->assertOk()
            ->assertSee('One record with one field')
            ->assertSee('Ada');
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        $this->post(route('dataset.store', $this->shelf), ['seal' => $seal[1] ?? '', 'title' => 'Second'])->assertSessionHasNoErrors();
        self::assertSame(['Who'], array_keys($this->fields(Item::query()->where('title', 'Second')->firstOrFail())));
        // Lists of lists, and names that differ by a space.
        foreach (['[["Bench", "Hours"], ["Wood", 4]]' => 'Hours', '[{"Bench": "Wood", "Bench ": "Oak"}]' => 'Bench 2'] as $json => $name) {
            $this->post(route('dataset.look', $this->shelf), ['file' => UploadedFile::fake()->createWithContent('list.json', $json)])
                ->assertOk()
                ->assertSee('One record with 2 fields')
                ->assertSee($name);
        }
        // Its own CSV and JSON.
        $item = $this->dataset();
        $this->field($item, 'new', ['name' => 'Hours', 'type' => 'number', 'expression' => 'round([Minutes] / 60, 1)']);
        $before = $this->tree($item->refresh());
        foreach (['csv', 'json'] as $format) {
            $bytes = (string) $this->get(route('download', [$item, $item->head, $format]))->assertOk()->getContent();
            $this->post(route('item.file.store', $item), [
                'file' => UploadedFile::fake()->createWithContent("again.{$format}", $bytes),
            ])->assertSessionHasErrors(['file' => 'The file holds what is there already. Nothing was changed.']);
            self::assertTrue($before->equals($this->tree($item->refresh())), $format);
        }
        $look = $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent(
                'again.json',
                (string) $this->get(route('download', [$item, $item->head, 'json']))->getContent(),
            ),
        ])->assertOk();
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        $this->post(route('dataset.store', $this->shelf), ['seal' => $seal[1] ?? '', 'title' => 'Copy'])->assertSessionHasNoErrors();
        $copy = Item::query()->where('title', 'Copy')->firstOrFail();
        $all = fn (PartTree $tree): array => array_map(
            Records::of($tree)->column(...),
            array_map(fn (Part $field) => $field->id, array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'field'))),
        );
        self::assertSame($all($before), $all($this->tree($copy)));
        $this->assertVerified();
    }

    public function test_what_can_not_be_read_as_its_type_is_kept_and_counted(): void
    {
        $item = $this->dataset(types: []);
        $minutes = $this->fields($item)['Thing'];
        $this->field($item, 'new', ['name' => 'Twice', 'type' => 'text', 'expression' => '[Thing] ~ [Thing]']);
        // What would become of it is said first, and nothing is done.
        $this->field($item, $minutes->id, ['name' => 'Thing', 'type' => 'number'])
            ->assertOk()
            ->assertSee('4 of them can’t be read so: “A toaster”, “A lamp”')
            ->assertSee('“Twice”');
        self::assertSame('text', $this->fields($item)['Thing']->string('type'));
        $this->field($item, $minutes->id, ['name' => 'Thing', 'type' => 'number', 'sure' => '1'])
            ->assertSessionHasNoErrors()
            ->assertRedirect();
        // They are shown as they are, found, and mended in place.
        $this->get(route('item', ['item' => $item, 'sort' => $minutes->id]))
            ->assertSee('4 can’t be read as that')
            ->assertSee('class="is-number data-wrong">A lamp</td>', false);
        $this->get(route('item', ['item' => $item, 'unread' => $minutes->id]))
            ->assertSee('4 records')
            ->assertSee('in which “Thing” can’t be read');
        // They go out with the rest, and what comes in again is the same.
        foreach (['csv', 'xlsx', 'ods'] as $format) {
            $out = $this->get(route('download', [$item, $item->head, $format]))->assertOk();
            $bytes = $out->baseResponse instanceof StreamedResponse ? $out->streamedContent() : (string) $out->getContent();
            $format !== 'csv' || self::assertStringContainsString(',A lamp,', $bytes);
            $this->post(route('item.file.store', $item), [
                'file' => UploadedFile::fake()->createWithContent("again.{$format}", $bytes),
            ])->assertSessionHasErrors(['file' => 'The file holds what is there already. Nothing was changed.']);
        }
        $lamp = array_values(
            array_filter($this->tree($item)->parts, fn (Part $part) => ($part->fields[$minutes->id] ?? null) === 'A lamp'),
        )[0]->id;
        $this->put(route('record.save', [$item, $lamp]), [
            'base' => $item->refresh()->root,
            'values' => [$minutes->id => '1.234,50'],
        ])->assertSessionHasNoErrors();
        self::assertSame(1234.5, $this->tree($item->refresh())->get($lamp)->fields[$minutes->id]);
        $this->get(route('item', ['item' => $item, 'unread' => $minutes->id]))
            ->assertSee('3 records')
            ->assertDontSee('data-wrong">A lamp', false);
        $this->field($item, $minutes->id, ['name' => 'Thing', 'type' => 'text', 'sure' => '1']);
        $this->get(route('item', $item))->assertSee('A toaster');
        $this->assertVerified();
    }

    public function test_numbers_are_read_as_their_column_writes_them_and_it_can_be_said_otherwise(): void
    {
        $csv = "What;Price;Paid;Code\nBread;1,50;€10;01234\nOil;1.234,50;\"€1.000,00\";10115\nJuice;2,25;30 CHF;04103\n";
        $look = $this->post(route('dataset.look', $this->shelf), ['file' => UploadedFile::fake()->createWithContent('till.csv', $csv)])
            ->assertOk()
            ->assertSee('A comma comes before decimals: “1.234,50” is 1,234.5; all values can be read.')
            ->assertSee('A point comes before decimals: “1.234,50” can’t be read; 3 values stay as they are (“1,50”, “1.234,50”, “2,25”).');
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        preg_match_all('/<select name="types\[(\w+)\]/', (string) $look->getContent(), $ids);
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => $seal[1] ?? '',
            'title' => 'Till',
            'types' => [$ids[1][2] => 'money'],
            'decimals' => [$ids[1][1] => 'comma'],
        ])->assertSessionHasNoErrors();
        $item = Item::query()->where('title', 'Till')->firstOrFail();
        $data = Records::of($this->tree($item));
        $fields = array_map(fn (Part $field) => $field->id, $this->fields($item));
        self::assertSame(
            [[1.5, 1234.5, 2.25], [10, 1000, null], ['01234', '10115', '04103']],
            array_map(fn (string $name) => $data->column($fields[$name]), ['Price', 'Paid', 'Code']),
        );
        self::assertSame([1, 'EUR'], [$data->misfits[$fields['Paid']], $this->fields($item)['Paid']->string('currency')]);
        $this->get(route('item', $item))->assertSee('1000.00 EUR')->assertSee('30 CHF');
        // Where one value made a text of them, the reading is offered that the others speak for.
        $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('tips.csv', "Day;Tip\n1;1.234,50\n2;12,00\n3;n/a\n"),
        ])
            ->assertSee('value="comma" checked', false)
            ->assertDontSee('value="point" checked', false)
            ->assertSee('one value stays as it is');
        // The next file is read as the field is written.
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('till.csv', $csv."Salt;1.000;€5,5;01234\n"),
        ])->assertSessionHasNoErrors();
        self::assertSame([1.5, 1234.5, 2.25, 1000], Records::of($this->tree($item->refresh()))->column($fields['Price']));
        // Read the other way, its values were not typed over.
        $this->field($item, $fields['Price'], ['name' => 'Price', 'type' => 'text', 'sure' => '1']);
        $this->get(route('list', $item))->assertDontSee('Typed over')->assertSee('type');
        $this->assertVerified();
    }

    public function test_days_are_read_as_their_column_writes_them_now_and_in_the_next_file(): void
    {
        $csv = "What,Day\nBread,24/05/2026\nOil,03/05/2026\n";
        $look = $this->post(route('dataset.look', $this->shelf), ['file' => UploadedFile::fake()->createWithContent('till.csv', $csv)])
            ->assertOk()
            ->assertSee('value="date" selected', false);
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        $this->post(route('dataset.store', $this->shelf), ['seal' => $seal[1] ?? '', 'title' => 'Days'])->assertSessionHasNoErrors();
        $item = Item::query()->where('title', 'Days')->firstOrFail();
        $day = $this->fields($item)['Day']->id;
        self::assertSame(
            [['d', '2026-05-24'], ['d', '2026-05-03']],
            array_column(array_column(array_filter($this->tree($item)->parts, fn (Part $part) => $part->role === 'record'), 'fields'), $day),
        );
        // Of itself, the next file does not tell.
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('till.csv', "What,Day\nBread,04/05/2026\nOil,03/05/2026\n"),
        ])->assertSessionHasNoErrors();
        self::assertSame(
            [['d', '2026-05-04'], ['d', '2026-05-03']],
            array_column(
                array_column(array_filter($this->tree($item->refresh())->parts, fn (Part $part) => $part->role === 'record'), 'fields'),
                $day,
            ),
        );
        $this->assertVerified();
    }

    public function test_days_that_can_be_read_in_two_ways_are_asked_about(): void
    {
        $csv = UploadedFile::fake()->createWithContent('till.csv', "What,Day\nBread,4/5/2026\nOil,3/5/2026\n");
        $look = $this->post(route('dataset.look', $this->shelf), ['file' => $csv])
            ->assertOk()
            ->assertSee('How are the days of “Day” written?')
            ->assertSee('The day comes first: “4/5/2026” is 2026-05-04; all values can be read.')
            ->assertSee('The month comes first: “4/5/2026” is 2026-04-05; all values can be read.')
            ->assertSee('value="date" selected', false);
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        preg_match_all('/<select name="types\[(\w+)\]/', (string) $look->getContent(), $ids);
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => $seal[1] ?? '',
            'title' => 'Months first',
            'types' => [$ids[1][1] => 'date'],
            'days' => [$ids[1][1] => 'month'],
        ])->assertSessionHasNoErrors();
        $item = Item::query()->where('title', 'Months first')->firstOrFail();
        $field = $this->fields($item)['Day'];
        self::assertSame('month', $field->string('days'));
        self::assertSame(
            [['d', '2026-04-05'], ['d', '2026-03-05']],
            array_column(
                array_column(array_filter($this->tree($item)->parts, fn (Part $part) => $part->role === 'record'), 'fields'),
                $field->id,
            ),
        );
        // A field of texts is asked about when it is made one of days.
        $this->field($item->refresh(), 'new', ['name' => 'Until', 'type' => 'text'])->assertSessionHasNoErrors();
        $until = $this->fields($item->refresh())['Until']->id;
        $this->put(route('record.save', [$item, 'new']), [
            'base' => $item->root,
            'values' => [$until => '6/7/2026'],
        ])->assertSessionHasNoErrors();
        $this->field($item->refresh(), $until, ['name' => 'Until', 'type' => 'date'])
            ->assertOk()
            ->assertSee('How are its days written?');
        $this->field($item, $until, ['name' => 'Until', 'type' => 'date', 'days' => 'day', 'sure' => '1'])->assertSessionHasNoErrors();
        self::assertContains(['d', '2026-07-06'], array_column(array_column($this->tree($item->refresh())->parts, 'fields'), $until));
        // What can be read in one way is not.
        $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('till.csv', "What,Day\nBread,4 May 2026\n"),
        ])
            ->assertOk()
            ->assertDontSee('How are the days of');
    }

    public function test_a_calculated_field_is_checked_named_and_survives_a_new_name(): void
    {
        $item = $this->dataset();
        $this->field($item, 'new', [
            'name' => 'Hours',
            'type' => 'number',
            'expression' => 'round([Minutes] / 60, 2)',
        ])->assertSessionHasNoErrors();
        $this->get(route('item', $item))->assertSee('0.58')->assertSee('= round([Minutes] / 60, 2)');
        $this->field($item, $this->fields($item)['Minutes']->id, ['name' => 'Time taken', 'type' => 'number'])->assertSessionHasNoErrors();
        $this->get(route('item', $item))->assertSee('= round([Time taken] / 60, 2)')->assertSee('0.58');
        $hours = $this->fields($item)['Hours']->id;
        foreach (
            [
                '[Nothing] + 1' => 'There is no field “Nothing”',
                '[Time taken] ~ "x"' => 'a text is needed',
                'constant("PHP_OS")' => 'There is no function “constant”',
                '1 +' => 'At character',
                '[Hours] * 2' => 'It would need itself',
            ] as $wrong => $said
        ) {
            $this->field($item, $hours, ['name' => 'Hours', 'type' => 'number', 'expression' => $wrong])->assertSessionHasErrors(
                'expression',
            );
            self::assertStringContainsString($said, session('errors')->first('expression'));
        }
        $this->field($item, $hours, [
            'name' => 'Hours',
            'type' => 'number',
            'expression' => '[Time taken] / 30',
        ])->assertSessionHasNoErrors();
        $this->get(route('list', $item))->assertSee('from “round([Time taken] / 60, 2)” to “[Time taken] / 30”');
        $this->field($item, 'new', ['name' => 'hours', 'type' => 'text'])->assertSessionHasErrors('name');
        $this->assertVerified();
    }

    public function test_records_are_added_changed_and_removed_with_a_history(): void
    {
        $item = $this->dataset();
        $ids = array_map(fn (Part $field) => $field->id, $this->fields($item));
        $record = $this->tree($item)->parts[5];
        $this->get(route('record.edit', [$item, $record->id]))->assertOk()->assertSee('A toaster');
        $this->put(route('record.save', [$item, $record->id]), [
            'base' => $item->root,
            'values' => [$ids['Minutes'] => 'many'],
        ])->assertSessionHasErrors("values.{$ids['Minutes']}");
        $this->put(route('record.save', [$item, $record->id]), [
            'base' => $item->root,
            'values' => [$ids['Minutes'] => '45', $ids['Paid'] => ''],
        ])->assertSessionHasNoErrors();
        $this->put(route('record.save', [$item, 'new']), [
            'base' => $item->refresh()->root,
            'values' => [$ids['Thing'] => 'A kettle'],
        ])->assertSessionHasNoErrors();
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 3]))
            ->assertOk()
            ->assertSee('<del>35</del>', false)
            ->assertSee('<ins>45</ins>', false)
            ->assertSee('A kettle')
            ->assertSee('3 records the same');
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2]))->assertSee('2 fields the same')->assertDontSee('Yes or no');
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => 2, 'rows' => 'all']))
            ->assertDontSee('fields the same')
            ->assertSee('Yes or no');
        $this->get(route('part', [$item, $record->id]))->assertOk();
        $this->delete(route('record.remove', [$item, $record->id]), ['base' => $item->refresh()->root])->assertRedirect();
        $this->post(route('restore.store', [$item, 1]), ['seen' => 4])->assertSessionHasNoErrors();
        self::assertCount(9, $this->tree($item->refresh())->parts);
        $this->assertVerified();
    }

    public function test_what_was_open_is_saved_when_the_version_it_was_opened_at_is_no_longer_kept(): void
    {
        $item = $this->dataset();
        $ids = array_map(fn (Part $field) => $field->id, $this->fields($item));
        $record = $this->tree($item)->parts[5]->id;
        $this->put(route('record.save', [$item, 'new']), [
            'base' => $item->root,
            'values' => [$ids['Thing'] => 'A kettle'],
        ])->assertSessionHasNoErrors();
        $opened = $item->refresh()->root;
        foreach (['A drill', 'A fan'] as $thing) {
            $this->put(route('record.save', [$item, 'new']), [
                'base' => $item->refresh()->root,
                'values' => [$ids['Thing'] => $thing],
            ])->assertSessionHasNoErrors();
        }
        $this->actingAs($this->people['owner'])
            ->delete(route('versions.delete', $item), ['from' => 2, 'to' => 2, 'reason' => 'So it is'])
            ->assertSessionHasNoErrors();
        self::assertSame([1, 3, 4], $item->versions()->orderBy('number')->pluck('number')->all());
        $this->put(route('record.save', [$item, $record]), ['base' => $opened, 'values' => [$ids['Minutes'] => '45']])->assertRedirect(
            route('item', $item),
        );
        self::assertSame(45, $this->tree($item->refresh())->get($record)->fields[$ids['Minutes']]);
    }

    public function test_more_choices_than_a_field_has_are_refused_in_words(): void
    {
        $item = $this->dataset();
        $this->field($item, $this->fields($item)['Thing']->id, [
            'name' => 'Thing',
            'type' => 'choice',
            'choices' => implode("\n", range(1, 201)),
            'sure' => '1',
        ])->assertSessionHasErrors('choices');
        self::assertSame('text', $this->fields($item)['Thing']->string('type'));
    }

    public function test_a_record_that_is_saved_as_it_stands_stays_as_it_is_whatever_is_in_it(): void
    {
        $csv
            = "Day,Note,Minutes,Mended,Shelf\n2026-01-03,one,35,yes,A\nsoon,\"two\nlines\",a while,perhaps,  B  \n2026-02-07,\" spaces \",80,no,\"C\nD\"\n2026-02-08,x,1.5,yes,E\n";
        $item = $this->dataset($csv);
        // As something that not all of them can be read as.
        foreach (['Day' => 'date', 'Minutes' => 'number', 'Mended' => 'boolean', 'Shelf' => 'choice'] as $name => $type) {
            $this->field($item, $this->fields($item)[$name]->id, [
                'name' => $name,
                'type' => $type,
                'choices' => "A\nB",
                'sure' => '1',
            ])->assertSessionHasNoErrors();
        }
        $records = array_values(array_filter($this->tree($item)->parts, fn (Part $part) => $part->role === 'record'));
        $forms = require __DIR__.'/../answers/forms.php';
        foreach ($records as $at => $record) {
            foreach (['point', 'comma'] as $numbers) {
                $this->people['editor']->update(['numbers' => $numbers === 'comma' ? array_keys(Ways::NUMBERS)[1] : '']);
                $form = $forms((string) $this->get(route('record.edit', [$item, $record->id]))->assertOk()->getContent());
                $form = array_values(
                    array_filter(
                        $form,
                        fn (array $each) => str_ends_with($each['action'], "/records/{$record->id}")
                            && ! str_contains($each['fields'], '_method=delete'),
                    ),
                )[0];
                parse_str($form['fields'], $sent);
                $root = $item->refresh()->root;
                $this->post($form['action'], $sent)->assertSessionHasNoErrors();
                self::assertSame($root, $item->refresh()->root, "record {$at}, {$numbers}: ".json_encode($sent));
            }
        }
    }

    public function test_records_are_found_sorted_and_turned_page_by_page(): void
    {
        $lines = array_map(
            fn (int $at): string => '2026-01-'
                .sprintf('%02d', 1 + ($at % 28))
                .",Thing {$at},"
                .($at === 7 ? '' : 250 - $at)
                .','
                .($at % 2 === 0 ? 'yes' : 'no')
                .','
                .$at / 4,
            range(0, 249),
        );
        $item = $this->dataset("Day,Thing,Minutes,Mended,Paid\n".implode("\n", $lines)."\n");
        $ids = array_map(fn (Part $field) => $field->id, $this->fields($item));
        $shown = function (array $query) use ($item): array {
            preg_match_all(
                '#<td [^>]*class="">(Thing \d+)</td>#',
                (string) $this->get(route('item', ['item' => $item, ...$query]))->assertOk()->getContent(),
                $found,
            );

            return $found[1];
        };
        self::assertSame(['Thing 0', 'Thing 1', 100], [...array_slice($shown([]), 0, 2), count($shown([]))]);
        self::assertSame(['Thing 200', 50], [$shown(['page' => 3])[0], count($shown(['page' => 3]))]);
        self::assertSame(['Thing 249', 'Thing 248'], array_slice($shown(['sort' => $ids['Minutes']]), 0, 2));
        self::assertSame(['Thing 0', 'Thing 1'], array_slice($shown(['sort' => $ids['Minutes'], 'down' => 1]), 0, 2));
        // Days are shown as people write them, and found by that and by how they are kept.
        self::assertSame(
            [['Thing 14', 'Thing 42'], ['Thing 14', 'Thing 42']],
            array_map(fn (string $find): array => array_slice($shown(['find' => $find]), 0, 2), ['15 Jan 2026', '2026-01-15']),
        );
        $this->get(route('item', $item))->assertSee('>5 Jan 2026</td>', false);
        self::assertSame(
            ['2026-13-45', '2026-99-99T09:00', '3 May 2026', '2026-02-30'],
            [DatasetView::day('2026-13-45'), Days::said('2026-99-99T09:00'), DatasetView::day('2026-05-03'), Days::said('2026-02-30')],
        );
        // What is not there comes last either way, texts go by the numbers in them, and a field that is none sorts nothing.
        self::assertSame('Thing 7', $shown(['sort' => $ids['Minutes'], 'down' => 1, 'page' => 3])[49]);
        self::assertSame(['Thing 249', 'Thing 248'], array_slice($shown(['sort' => $ids['Thing'], 'down' => 1]), 0, 2));
        self::assertSame('Thing 0', $shown(['sort' => 'nothing'])[0]);
        self::assertSame(['Thing 7', 'Thing 70', 'Thing 71'], array_slice($shown(['find' => 'thing 7']), 0, 3));
        self::assertSame(['Thing 2', 'Thing 248'], $shown(['find' => '248']));
        self::assertSame(125, count($shown(['find' => 'yes'])) + count($shown(['find' => 'yes', 'page' => 2])));
        self::assertSame([], $shown(['find' => 'nobody has that']));
        $this->get(route('item', ['item' => $item, 'find' => 'nobody has that']))->assertSee('No record has that.');
        $this->get(route('item', ['item' => $item, 'page' => 0]))->assertRedirect();
        $this->get(route('item', $item))->assertSee('1 to 100 of 250')->assertSee('23.75');
    }

    public function test_a_file_again_keeps_who_is_who(): void
    {
        $item = $this->dataset();
        $this->field($item, 'new', ['name' => 'Hours', 'type' => 'number', 'expression' => '[Minutes] / 60']);
        $before = $this->tree($item->refresh());
        $csv = str_replace(['35', 'Thing,Minutes'], ['40', 'Thing,Minutes'], self::CSV)."2026-03-07,A drill,50,yes,1\n";
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('log.csv', $csv),
        ])->assertSessionHasNoErrors();
        $after = $this->tree($item->refresh());
        self::assertSame([], array_diff(array_column($before->parts, 'id'), array_column($after->parts, 'id')));
        self::assertCount(count($before->parts) + 1, $after->parts);
        self::assertArrayHasKey('Hours', $this->fields($item));
    }

    public function test_what_is_followed_is_changed_where_it_comes_from(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->people['editor'], 'spreadsheet', 'Bench rota');
        $this->save(
            $sheet,
            $this->people['editor'],
            PartTree::of([
                new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
                new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('rhead', 'row', 1, ['cone' => 'Bench']),
                new Part('rone', 'row', 1, ['cone' => 'Wood']),
            ]),
        );
        $this->post(route('dataset.look', $this->shelf), ['from' => "{$sheet->key}/tabone"])->assertOk();
        $seal = encrypt(['item' => $sheet->key, 'tab' => 'tabone', 'version' => null]);
        $this->post(route('dataset.store', $this->shelf), ['seal' => $seal, 'title' => 'Benches'])->assertSessionHasNoErrors();
        $item = Item::query()->where('kind', 'dataset')->firstOrFail();
        $base = ['base' => $item->root];
        foreach (
            [
                ['put', 'record.save', 'rone', ['values' => ['cone' => 'Cloth']]],
                ['put', 'record.save', 'new', ['values' => ['cone' => 'Cloth']]],
                ['delete', 'record.remove', 'rone', []],
                ['delete', 'field.remove', 'cone', []],
            ] as [$method, $route, $id, $sent]
        ) {
            $this->call(strtoupper($method), route($route, [$item, $id]), $base + $sent)->assertSessionHasErrors('base');
        }
        self::assertStringContainsString('Change it there, or stop following first.', session('errors')->first('base'));
        $this->putJson(route('state.save', $item), ['base' => $item->root, 'client' => 'w.1', 'content' => []])
            ->assertStatus(422)
            ->assertJsonValidationErrors('base');
        // Nor by a file, a restore, or what somebody takes out.
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('a.csv', self::CSV),
        ])->assertNotFound();
        $this->save(
            $sheet,
            $this->people['editor'],
            PartTree::of([
                new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
                new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('rhead', 'row', 1, ['cone' => 'Bench']),
                new Part('rone', 'row', 1, ['cone' => 'Lamps']),
            ]),
        );
        $this->post(route('restore.store', [$item, 1]), ['seen' => $item->refresh()->head])->assertSessionHasErrors('seen');
        $this->save(
            $sheet,
            $this->people['editor'],
            PartTree::of([
                new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
                new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
                new Part('rhead', 'row', 1, ['cone' => 'Bench']),
                new Part('rone', 'row', 1, ['cone' => 'Wood']),
            ]),
        );
        $item->refresh();
        self::assertSame($item->root, $item->refresh()->root);
        $this->get(route('record.edit', [$item, 'rone']))->assertNotFound();
        $this->get(route('item.file', $item))->assertNotFound();
        $this->get(route('shelf', $this->shelf))->assertDontSee(route('item.file', $item));
        $this->get(route('field.edit', [$item, 'cone']))->assertOk()->assertDontSee('Remove it…');
        // What is calculated here is its own, and comes and goes.
        $this->field($item, 'new', ['name' => 'Twice', 'type' => 'text', 'expression' => '[Bench] ~ [Bench]']);
        $twice = $this->fields($item->refresh())['Twice'];
        $this->delete(route('field.remove', [$item, $twice->id]), ['base' => $item->root])->assertSessionHasNoErrors();
        $this->put(route('dataset.follow', $item), ['follow' => 0]);
        $this->delete(route('record.remove', [$item, 'rone']), ['base' => $item->refresh()->root])->assertSessionHasNoErrors();
        $this->get(route('item.file', $item))
            ->assertOk()
            ->assertSee('every record keeps its history')
            ->assertSee('CSV, TSV, XLSX, ODS or JSON');
    }

    public function test_what_is_followed_is_taken_in_as_it_was_made_by_whom_and_when(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->people['editor'], 'spreadsheet', 'Bench rota');
        $tree = fn (string ...$benches): PartTree => PartTree::of([
            new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rhead', 'row', 1, ['cone' => 'Bench']),
            ...array_map(
                fn (string $bench, int $at) => new Part("r{$at}one", 'row', 1, ['cone' => $bench]),
                array_values($benches),
                array_keys(array_values($benches)),
            ),
        ]);
        $this->save($sheet, $this->people['editor'], $tree('Wood'));
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => encrypt(['item' => $sheet->key, 'tab' => 'tabone', 'version' => null]),
            'title' => 'Benches',
        ])->assertSessionHasNoErrors();
        $item = Item::query()->where('kind', 'dataset')->firstOrFail();
        foreach (
            [
                ['2026-05-06 09:00:00', 'owner', ['Wood', 'Cloth']],
                ['2026-05-06 10:00:00', 'owner', ['Wood', 'Cloth', 'Heat']],
                ['2026-05-07 11:00:00', 'editor', ['Wood', 'Cloth', 'Heat', 'Sound']],
                ['2026-05-08 12:00:00', 'editor', ['Wood', 'Cloth', 'Heat', 'Sound']],
            ] as [$when, $who, $benches]
        ) {
            Date::setTestNow($when);
            $this->save($sheet, $this->people[$who], $tree(...$benches));
        }
        Date::setTestNow('2026-05-20 08:00:00');
        // It was taken in when it was made, and looking at it writes nothing.
        $head = $item->refresh()->head;
        $this->get(route('item', $item))->assertOk()->assertSee('4 records');
        self::assertSame($head, $item->refresh()->head);
        $told = fn (Item $item): array => $item
            ->refresh()
            ->versions()
            ->with('user')
            ->where('number', '>', 1)
            ->orderBy('number')
            ->get()
            ->map(
                fn (Version $version) => $version->saved_at->format('j H:i')
                    .' '
                    .$version->user->firstName()
                    .' '
                    .($version->facts['values']['count'] ?? ''),
            )
            ->all();
        self::assertSame(
            ['6 09:02 Ines ', '6 10:02 Ines ', '7 11:02 Tobi '],
            array_map(fn (string $step): string => (string) preg_replace('/\d+$/', '', $step), $told($item)),
        );
        self::assertSame('2026-05-07 11:02', $item->changed_at->format('Y-m-d H:i'));
        // A field of its own comes later, and nothing that is taken in is older than that.
        $this->field($item, 'new', ['name' => 'Twice', 'type' => 'text', 'expression' => '[Bench] ~ [Bench]']);
        Date::setTestNow('2026-05-21 08:00:00');
        $this->save($sheet, $this->people['owner'], $tree('Wood'));
        $this->get(route('item', $item))->assertSee('one record');
        self::assertSame(['20 08:00 Tobi 1', '21 08:02 Ines 3'], array_slice($told($item), 3));
        $this->assertVerified();
    }

    public function test_however_it_was_edited_what_is_followed_ends_as_it_is_there_and_goes_forward_in_time(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 99_999));
        mt_srand($seed);
        $frame = [
            new Part('tabone', 'tab', 0, ['name' => 'One', 'frozen' => 1]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('ctwo', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rhead', 'row', 1, ['cone' => 'Bench', 'ctwo' => 'Hours']),
        ];
        $rows = [new Part('rone', 'row', 1, ['cone' => 'Wood', 'ctwo' => 4])];
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->people['editor'], 'spreadsheet', 'Bench rota');
        $this->save($sheet, $this->people['editor'], PartTree::of([...$frame, ...$rows]));
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => encrypt(['item' => $sheet->key, 'tab' => 'tabone', 'version' => null]),
            'title' => 'Benches',
        ])->assertSessionHasNoErrors();
        $item = Item::query()->where('kind', 'dataset')->firstOrFail();
        $named = 0;
        for ($round = 0; $round < 6; $round++) {
            $days = [];
            for ($edit = mt_rand(0, 9); $edit > 0; $edit--) {
                Date::setTestNow(Date::now()->addMinutes(mt_rand(10, 2_000)));
                $at = mt_rand(0, count($rows) - 1);
                match (mt_rand(0, 3)) {
                    0 => array_splice($rows, $at, 0, [
                        new Part('r'.++$named.'new', 'row', 1, ['cone' => "Bench {$named}", 'ctwo' => $named]),
                    ]),
                    1 => count($rows) > 1 ? array_splice($rows, $at, 1) : null,
                    default => $rows[$at] = $rows[$at]->with('ctwo', mt_rand(1, 90)),
                };
                $who = ['owner', 'editor'][mt_rand(0, 1)];
                $this->save($sheet, $this->people[$who], PartTree::of([...$frame, ...$rows]));
                $days[$this->people[$who]->id.Date::now()->format(' Y-m-d')] = true;
            }
            $head = $item->refresh()->head;
            Date::setTestNow(Date::now()->addMinutes(mt_rand(10, 5_000)));
            $this->get(route('history', $item))->assertOk();
            self::assertSame(
                array_map(fn (Part $row) => [$row->id, $row->fields], $rows),
                array_map(
                    fn (Part $record) => [$record->id, $record->fields],
                    array_values(array_filter($this->tree($item->refresh())->parts, fn (Part $part) => $part->role === 'record')),
                ),
                "round {$round} SEED={$seed}",
            );
            foreach ($item->versions()->where('number', '>', $head)->get() as $version) {
                self::assertArrayHasKey($version->user_id.$version->saved_at->format(' Y-m-d'), $days, "round {$round} SEED={$seed}");
            }
        }
        $times = $item->versions()->orderBy('number')->pluck('saved_at')->map(fn (mixed $time) => (string) $time)->all();
        self::assertSame(collect($times)->sort()->values()->all(), $times, "SEED={$seed}");
        $this->assertVerified();
    }

    public function test_the_entries_of_a_form_are_taken_in_by_who_sent_or_changed_them(): void
    {
        $form = $this->app->make(MakeItem::class)->handle($this->shelf, $this->people['owner'], 'form', 'Book a repair');
        $this->save(
            $form,
            $this->people['owner'],
            PartTree::of([
                new Part('pone', 'page', 0, ['title' => 'First']),
                new Part('qname', 'question', 1, ['type' => 'short', 'text' => RichText::plain('Your name'), 'required' => false]),
            ]),
        );
        $live = $this->publish($form, $this->people['owner']);
        $answers = fn (string $name): PartTree => PartTree::of([new Part('qname', 'answer', 0, ['label' => 'Your name', 'value' => $name])]);
        $entry = $this->app->make(TakeEntry::class)->handle($form, $live, null, $answers('Ada Quill')) ?? self::fail();
        $this->post(route('dataset.store', $this->shelf), [
            'seal' => encrypt(['item' => $form->key, 'tab' => null, 'version' => null]),
            'title' => 'Bookings',
        ])->assertSessionHasNoErrors();
        $item = Item::query()->where('kind', 'dataset')->firstOrFail();
        $names = fn (): array => array_map(
            fn (Part $record) => $record->fields['qname'],
            array_values(array_filter($this->tree($item->refresh())->parts, fn (Part $part) => $part->role === 'record')),
        );
        Date::setTestNow('2026-05-06 09:00:00');
        $this->app->make(TakeEntry::class)->handle($form, $live, null, $answers('Ben Colt'));
        Date::setTestNow('2026-05-07 09:00:00');
        $this->put(route('entry.save', $entry), [
            'base' => $entry->refresh()->root,
            'a' => ['qname' => 'Ada Quill-Webb'],
        ])->assertSessionHasNoErrors();
        Date::setTestNow('2026-05-08 09:00:00');
        $this->actingAs($this->people['owner'])
            ->put(route('entry.save', $entry), ['base' => $entry->refresh()->root, 'a' => ['qname' => 'Ada Webb']])
            ->assertSessionHasNoErrors();
        Date::setTestNow('2026-05-20 09:00:00');
        $this->get(route('list', $item))->assertOk();
        self::assertSame(['Ada Webb', 'Ben Colt'], $names());
        self::assertSame(
            ['6 Visitor', '7 Tobi', '8 Ines'],
            $item
                ->versions()
                ->with('user')
                ->where('number', '>', 1)
                ->orderBy('number')
                ->get()
                ->map(fn (Version $version) => $version->saved_at->format('j').' '.$version->user->firstName())
                ->all(),
        );
        $this->get(route('history', ['item' => $item, 'from' => 2, 'to' => 4]))->assertSee(
            '<del>Ada Quill</del> <ins>Ada Webb</ins>',
            false,
        );
        // Nothing more has happened, and nothing more comes.
        $this->get(route('item', $item))->assertSee('2 records');
        self::assertSame(4, $item->refresh()->head);
        Date::setTestNow('2026-05-21 10:00:00');
        $this->delete(route('entry.delete', $entry))->assertRedirect();
        $this->get(route('item', $entry))->assertSee('Ines removed this entry');
        Date::setTestNow('2026-05-23 10:00:00');
        $this->get(route('item', $item))->assertSee('one record');
        self::assertSame(['Ben Colt'], $names());
        $gone = $item->versions()->with('user')->where('number', 5)->firstOrFail();
        self::assertSame(['21', 'Ines'], [$gone->saved_at->format('j'), $gone->user->firstName()]);
        $this->put(route('entry.undelete', $entry));
        $this->get(route('item', $item))->assertSee('2 records');
        $this->assertVerified();
    }

    public function test_a_tab_is_followed_row_by_row_and_a_milestone_is_stayed_with(): void
    {
        $sheet = $this->app->make(MakeItem::class)->handle($this->shelf, $this->people['editor'], 'spreadsheet', 'Bench rota');
        $tree = fn (string $second): PartTree => PartTree::of([
            new Part('tabone', 'tab', 0, ['name' => 'June', 'frozen' => 1]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('ctwo', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rhead', 'row', 1, ['cone' => 'Bench', 'ctwo' => 'Hours']),
            new Part('rone', 'row', 1, ['cone' => 'Wood', 'ctwo' => 4]),
            new Part('rtwo', 'row', 1, ['cone' => $second, 'ctwo' => 3]),
        ]);
        $this->save($sheet, $this->people['editor'], $tree('Textiles'));
        $take = function (array $more) use ($sheet): Item {
            $look = $this->post(route('dataset.look', $this->shelf), ['from' => "{$sheet->key}/tabone", ...$more])
                ->assertOk()
                ->assertSee('Textiles');
            preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
            $this->post(route('dataset.store', $this->shelf), ['seal' => $seal[1] ?? '', 'title' => 'Benches'])->assertRedirect();

            return Item::query()->where('kind', 'dataset')->latest('id')->firstOrFail();
        };
        $follows = $take([]);
        $stays = $take(['version' => "{$sheet->key}:2"]);
        $this->post(route('dataset.look', $this->shelf), [
            'from' => "{$sheet->key}/tabone",
            'version' => 'another:2',
        ])->assertSessionHasErrors('version');
        self::assertSame(['cone', 'ctwo', 'rone', 'rtwo'], array_column($this->tree($follows)->parts, 'id'));
        $this->save($sheet, $this->people['owner'], $tree('Electrics'));
        $this->get(route('item', $follows))->assertOk()->assertSee('Electrics')->assertDontSee('>Textiles<', false);
        self::assertSame($this->people['owner']->id, $follows->refresh()->versions()->where('number', 2)->firstOrFail()->user_id);
        $this->get(route('list', $follows))->assertSee('Typed “Electrics” over “Textiles”');
        $this->get(route('item', $stays))->assertOk()->assertSee('Textiles');
        $this->put(route('dataset.follow', $follows), ['follow' => 0])->assertRedirect();
        $this->save($sheet, $this->people['owner'], $tree('Bikes'));
        $this->get(route('item', $follows))->assertSee('Electrics')->assertDontSee('Bikes');
        $own = [array_column($this->tree($follows->refresh())->parts, null, 'id')['rone']->id => ['cone' => 'Own words']];
        $this->put(route('record.save', [$follows, array_key_first($own)]), [
            'base' => $follows->root,
            'values' => $own['rone'],
        ])->assertSessionHasNoErrors();
        // What goes by it is shown first, and it is the doing of whoever says so.
        $head = $follows->refresh()->head;
        $this->put(route('dataset.follow', $follows), ['follow' => 1])
            ->assertOk()
            ->assertSee('Typed “Wood” over “Own words”')
            ->assertSee('Typed “Bikes” over “Electrics”');
        self::assertFalse($follows->refresh()->follows());
        $this->put(route('dataset.follow', $follows), ['follow' => 1, 'seen' => $head])->assertRedirect(route('item', $follows));
        $this->get(route('item', $follows))->assertSee('Bikes')->assertDontSee('<td class="">Own words</td>', false);
        $again = $follows->refresh()->versions()->where('number', $head + 1)->firstOrFail();
        self::assertSame([$head + 1, $this->people['editor']->id], [$follows->head, $again->user_id]);
        // It follows on from there, heading and all, and a restore can stop it.
        $tree = $this->tree($sheet->refresh());
        $this->save(
            $sheet,
            $this->people['owner'],
            PartTree::of(array_map(fn (Part $part) => $part->id === 'rhead' ? $part->with('cone', 'Trade') : $part, $tree->parts)),
        );
        self::assertArrayHasKey('Trade', $this->fields($follows->refresh()));
        $this->field($follows, 'cone', ['name' => 'Mine', 'type' => 'text'])->assertSessionHasErrors('base');
        $this->field($follows, 'ctwo', ['name' => 'Hours', 'type' => 'text', 'sure' => 1])->assertSessionHasNoErrors();
        self::assertSame('4', $this->tree($follows->refresh())->get('rone')->fields['ctwo']);
        $this->get(route('restore', [$follows, 2]))->assertOk()->assertSee('Stop following “Bench rota”, and keep what comes back.');
        $this->post(route('restore.store', [$follows, 2]), ['seen' => $follows->head])->assertSessionHasErrors('seen');
        self::assertTrue($follows->refresh()->follows());
        $this->post(route('restore.store', [$follows, 2]), ['seen' => $follows->head, 'stop' => 1])->assertSessionHasNoErrors();
        self::assertFalse($follows->refresh()->follows());
        self::assertSame('Electrics', $this->tree($follows)->get('rtwo')->fields['cone']);
        $this->assertVerified();
    }

    public function test_before_a_field_goes_it_is_said_what_hangs_on_it_and_it_comes_back_alone(): void
    {
        $item = $this->dataset();
        $this->field($item, 'new', ['name' => 'Hours', 'type' => 'number', 'expression' => '[Minutes] / 60']);
        $minutes = $this->fields($item)['Minutes']->id;
        $this->get(route('field.hanging', [$item, $minutes]))->assertOk()->assertSee('4 records have a value there')->assertSee('“Hours”');
        $this->delete(route('field.remove', [$item, $minutes]), ['base' => $item->refresh()->root])->assertRedirect();
        $this->get(route('item', $item))->assertOk()->assertSee('There is no field');
        $this->get(route('part', [$item, $minutes]))->assertOk();
        $this->post(route('part.restore', [$item, $minutes, 2]), ['seen' => $item->refresh()->head])->assertRedirect();
        self::assertArrayHasKey('Minutes', $this->fields($item));
        self::assertSame([35, 20, 80, 15], $this->app->make(DatasetColumns::class)->records($item->refresh()->root)->column($minutes));
    }

    public function test_columns_that_are_gone_on_from_are_those_that_are_made_anew_and_a_large_one_is_saved_in_part(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 99_999));
        mt_srand($seed);
        $lines = array_map(
            fn (int $at): string => '2026-01-'
                .sprintf('%02d', 1 + ($at % 28))
                .",Thing {$at},"
                .($at % 300 === 7 ? 'none' : $at % 90)
                .','
                .($at % 2 === 0 ? 'yes' : 'no')
                .','
                .$at / 4,
            range(0, 4_499),
        );
        $item = $this->dataset("Day,Thing,Minutes,Mended,Paid\n".implode("\n", $lines)."\n");
        $ids = array_map(fn (Part $field) => $field->id, $this->fields($item));
        $columns = fn (): DatasetColumns => new DatasetColumns($this->app->make(States::class));
        $columns()->records($item->root)->column($ids['Minutes']);
        for ($run = 0; $run < 6; $run++) {
            $tree = $this->tree($item->refresh());
            $record = $tree->parts[mt_rand(5, count($tree->parts) - 1)];
            $base = ['base' => $item->root];
            match (mt_rand(0, 3)) {
                0 => $this->put(
                    route('record.save', [$item, 'new']),
                    $base + ['values' => [$ids['Thing'] => "New {$run}", $ids['Day'] => '2026-06-01']],
                ),
                1 => $this->delete(route('record.remove', [$item, $record->id]), $base),
                default => $this->put(
                    route('record.save', [$item, $record->id]),
                    $base + [
                        'at' => $tree->position($record->id),
                        'values' => [$ids['Minutes'] => (string) (1_000 + $run), $ids['Day'] => ''],
                    ],
                ),
            };
            self::assertSame($run + 2, $item->refresh()->head, "SEED={$seed}");
            $gone = $columns()->records($item->root);
            $anew = Records::of($this->tree($item));
            self::assertSame($anew->count, $gone->count, "SEED={$seed}");
            foreach ($ids as $name => $id) {
                self::assertSame($anew->column($id), $gone->column($id), "{$name} SEED={$seed}");
                self::assertEquals($anew->unread($id), $gone->unread($id), "{$name} SEED={$seed}");
            }
        }
        self::assertGreaterThan(5, count($columns()->records($item->root)->unread($ids['Minutes'])));
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => $item->head]))->assertOk()->assertSee('records the same');
        $this->get(route('history', ['item' => $item, 'from' => 1, 'to' => $item->head, 'view' => 'was']))
            ->assertOk()
            ->assertSee('Thing 17');
        $this->post(route('restore.store', [$item, 1]), ['seen' => $item->head])->assertSessionHasNoErrors();
        $this->assertVerified();
    }

    /** @return array<string, array{string, string, list<string>}> */
    public static function routes(): array
    {
        return [
            'a new one' => ['get', 'dataset.new', ['editor', 'owner']],
            'looking at a file' => ['post', 'dataset.look', ['editor', 'owner']],
            'making one' => ['post', 'dataset.store', ['editor', 'owner']],
            'seeing it' => ['get', 'item', ['viewer', 'editor', 'owner']],
            'its history' => ['get', 'history', ['viewer', 'editor', 'owner']],
            'a file again' => ['post', 'item.file.store', ['editor', 'owner']],
            'following' => ['put', 'dataset.follow', []],
            'a field, asking' => ['get', 'field.edit', ['editor', 'owner']],
            'a field' => ['put', 'field.save', ['editor', 'owner']],
            'what hangs on it' => ['get', 'field.hanging', ['editor', 'owner']],
            'removing it' => ['delete', 'field.remove', ['editor', 'owner']],
            'a record' => ['get', 'record.edit', ['editor', 'owner']],
            'saving it' => ['put', 'record.save', ['editor', 'owner']],
            'taking it away' => ['delete', 'record.remove', ['editor', 'owner']],
        ];
    }

    /** @param list<string> $may */
    #[DataProvider('routes')]
    public function test_a_route_lets_in_those_who_may_and_nobody_else(string $method, string $route, array $may): void
    {
        $item = $this->dataset();
        $field = $this->fields($item)['Paid'];
        $record = $this->tree($item)->parts[5];
        $url = match (true) {
            str_starts_with($route, 'dataset.') && $route !== 'dataset.follow' => route($route, $this->shelf),
            str_starts_with($route, 'field.') => route($route, [$item, $field->id]),
            str_starts_with($route, 'record.') => route($route, [$item, $record->id]),
            default => route($route, $item),
        };
        $this->app->make('auth')->forgetGuards();
        $this->json($method, $url)->assertUnauthorized();
        self::assertSame(404, $this->actingAs($this->people['stranger'])->json($method, $url)->status());
        foreach (['viewer', 'editor', 'owner'] as $who) {
            $sent = [
                'base' => $item->refresh()->root,
                'name' => 'Paid',
                'type' => 'money',
                'follow' => 1,
                'file' => UploadedFile::fake()->createWithContent('a.csv', self::CSV),
            ];
            $status = $this->actingAs($this->people[$who])
                ->call(strtoupper($method), $url, $sent, files: ['file' => $sent['file']])
                ->status();
            in_array($who, $may, true)
                ? self::assertContains($status, [200, 302, 404], $who)
                : self::assertContains($status, [403, 404], $who);
            in_array($who, $may, true) && $who === 'editor' ? self::assertContains($status, [200, 302], $who) : null;
        }
    }

    public function test_files_that_are_no_tables_are_refused_in_words(): void
    {
        foreach (['a.json' => '{"a": 1}', 'b.json' => '[[[', 'c.png' => 'x', 'd.xlsx' => 'no archive', 'e.csv' => ''] as $name => $bytes) {
            $this->post(route('dataset.look', $this->shelf), [
                'file' => UploadedFile::fake()->createWithContent($name, $bytes),
            ])->assertSessionHasErrors('file');
        }
        $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('a.json', '[{"name": "A", "n": 3}, {"name": "B", "deep": {"x": 1}}]'),
        ])
            ->assertOk()
            ->assertSee('2 records with 3 fields');
        $this->post(route('dataset.store', $this->shelf), ['seal' => 'forged'])->assertStatus(422);
        $this->post(route('dataset.look', $this->shelf), ['from' => 'nothing/x'])->assertNotFound();
        self::assertSame(0, Item::query()->count());
    }
}
