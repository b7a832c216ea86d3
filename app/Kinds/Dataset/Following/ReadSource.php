<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Making\BroughtFile;
use App\Making\ReadFile;
use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use App\Words\Numbers;
use Carbon\CarbonImmutable;
use Generator;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Formats\Workbook\CsvReader;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\Source;

/** Reads what a dataset is to be filled from: a file, a tab of a spreadsheet, or the entries of a form. */
final readonly class ReadSource
{
    /** Bytes of JSON. */
    private const MOST_JSON = 8_388_608;

    private const MOST_FIELDS = 1_000;

    public function __construct(private States $states, private ReadFile $files) {}

    /**
     * @param  int  $tab  which one of a workbook, from 0
     *
     * @throws Unreadable|UnknownEncoding
     */
    public function file(string $name, string $bytes, int $tab = 0, ?string $encoding = null): Source
    {
        $bytes = ReadFile::decoded(FileFormat::ofPath($name), $bytes, $encoding);
        if (FileFormat::ofPath($name) === FileFormat::Json) {
            if (self::isItem($bytes)) {
                return Source::dataset($this->files->item(new BroughtFile($name, $bytes), (new DatasetKind)->name())->tree);
            }
            $list = strlen($bytes) > self::MOST_JSON ? null : json_decode($bytes, true, 64);
            $list = is_array($list) && ! array_is_list($list) ? ($list['records'] ?? $list['entries'] ?? null) : $list;

            if (! is_array($list) || ! array_is_list($list) || $list === []) {
                throw Unreadable::because(__('data.file_not_list'));
            }
            $names = [];
            foreach ($list as $object) {
                $names += is_array($object) ? $object : [];
                count($names) <= self::MOST_FIELDS
                    || throw Unreadable::because(__('data.too_many_fields', ['most' => Numbers::said(self::MOST_FIELDS)]));
            }

            return Source::objects($list);
        }
        if (! FileFormat::ofPath($name)->isTable()) {
            throw Unreadable::because(__('item.file_not', ['formats' => 'CSV, TSV, XLSX, ODS, JSON']));
        }

        // Where semicolons part the values, commas are before decimals.
        $format = FileFormat::ofPath($name);
        $hint = $format->isText() ? ($format === FileFormat::Csv && CsvReader::separator($bytes) === ';' ? ',' : '.') : null;

        return $this->table($this->files->handle(new BroughtFile($name, $bytes), asWritten: true), $hint, $tab);
    }

    /** Whether JSON is an item as one is downloaded, and not a list of records. */
    public static function isItem(string $bytes): bool
    {
        return preg_match('/^\s*\{\s*"kind"\s*:\s*"\w+"\s*,\s*"parts"\s*:/', substr($bytes, 0, 200)) === 1;
    }

    private function table(Content $content, ?string $hint, int $tab): Source
    {
        $tabs = $content->tree->children()[PartTree::ROOT] ?? [];
        $names = array_map(fn (string $id): string => $content->tree->get($id)->string('name'), $tabs);
        $source = isset($tabs[$tab]) ? Source::tab($content->tree, $tabs[$tab], $hint, $names) : new Source([], []);

        count($source->names) <= self::MOST_FIELDS
            || throw Unreadable::because(__('data.too_many_fields', ['most' => Numbers::said(self::MOST_FIELDS)]));

        return $source->names === [] && count($names) < 2 ? throw Unreadable::because(__('data.file_empty')) : $source;
    }

    /**
     * @param  string|null  $tab  null for the entries of a form
     * @param  CarbonImmutable|null  $until  of entries, those that were there then, as they were
     */
    public function item(Item $item, ?string $tab, ?Version $version, ?CarbonImmutable $until = null): ?Source
    {
        if ($item->isAnswered()) {
            return $this->entries($item, $version->root ?? self::asked($item), $until);
        }

        return $this->stands($item, $tab, $version->root ?? $item->root);
    }

    /** The entries as everybody sees them, each under its own id. */
    private function entries(Item $form, string $root, ?CarbonImmutable $until): Source
    {
        $moment = $until?->format('Y-m-d H:i:s');
        $entries = (function () use ($form, $moment): Generator {
            foreach (
                $form
                    ->entries()
                    ->where(
                        fn ($query) => $query
                            ->whereNull('deleted_at')
                            ->when($moment, fn ($query) => $query->orWhere('deleted_at', '>', $moment)),
                    )
                    ->orderBy('number')
                    ->when($moment, fn ($query) => $query->where('created_at', '<=', $moment))
                    ->cursor() as $entry
            ) {
                $stood = $moment === null ? null : $entry->versions()->where('saved_at', '<=', $moment)->orderByDesc('number')->first();
                yield self::recordOf($entry) => [self::dayOf($entry), $this->states->tree($stood->root ?? $entry->root)];
            }
        })();

        return Source::entries($this->states->tree($root), $entries, (string) __('data.sent'));
    }

    /** What a sheet or a form holds when a state of it is: of a form with its entries as they are. */
    public function stands(Item $item, ?string $tab, string $root): ?Source
    {
        if ($item->isAnswered()) {
            return $this->entries($item, $root, null);
        }
        $sheet = $this->states->tree($root);

        return $tab !== null && $sheet->has($tab) && $sheet->get($tab)->role === 'tab' ? Source::tab($sheet, $tab) : null;
    }

    /** One entry alone, as it is then, under the questions that are live. */
    public function entry(Item $form, Item $entry, string $root): Source
    {
        return Source::entries(
            $this->states->tree(self::asked($form)),
            [self::recordOf($entry) => [self::dayOf($entry), $this->states->tree($root)]],
            (string) __('data.sent'),
        );
    }

    /** The record of an entry in datasets that follow its form. */
    public static function recordOf(Item $entry): string
    {
        return sprintf('entry%05d', (int) $entry->number);
    }

    /** The day that an entry was sent on, where the place is. */
    private static function dayOf(Item $entry): string
    {
        return (string) $entry->created_at?->setTimezone((string) config('attic.zone'))->format('Y-m-d');
    }

    /** The questions that people answer; of a form that is offline those that were live last, and before it is published its own. */
    private static function asked(Item $form): string
    {
        $live = $form->live ?? $form->publishings()->whereNotNull('count')->orderByDesc('count')->first();

        return $live->version->root ?? $form->root;
    }
}
