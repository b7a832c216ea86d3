<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use Carbon\CarbonImmutable;
use Generator;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Dataset\Source;

/** Reads what a dataset is to be filled from: a file, a tab of a spreadsheet, or the entries of a form. */
final readonly class ReadSource
{
    /** Bytes of JSON. */
    private const MOST_JSON = 8_388_608;

    public function __construct(private States $states, private ReadFile $files) {}

    /** @throws Unreadable */
    public function file(string $name, string $bytes): Source
    {
        if (FileFormat::ofPath($name) === FileFormat::Json) {
            $list = strlen($bytes) > self::MOST_JSON ? null : json_decode($bytes, true, 64);
            $list = is_array($list) && ! array_is_list($list) ? ($list['records'] ?? $list['entries'] ?? null) : $list;

            return is_array($list) && array_is_list($list) && $list !== [] ? Source::objects($list) : throw Unreadable::because(__('data.file_not_list'));
        }
        if (! FileFormat::ofPath($name)->isTable()) {
            throw Unreadable::because(__('item.file_not', ['formats' => 'CSV, TSV, XLSX, ODS, JSON']));
        }

        return $this->table($this->files->handle($name, $bytes));
    }

    private function table(Content $content): Source
    {
        $tabs = $content->tree->children()[PartTree::ROOT] ?? [];
        $source = $tabs === [] ? new Source([], []) : Source::tab($content->tree, $tabs[0]);

        return $source->names === [] ? throw Unreadable::because(__('data.file_empty')) : $source;
    }

    /**
     * @param  string|null  $tab  null for the entries of a form
     * @param  CarbonImmutable|null  $until  of entries, those that were there then, as they were
     */
    public function item(Item $item, ?string $tab, ?Version $version, ?CarbonImmutable $until = null): ?Source
    {
        if ($item->kind === 'form') {
            return $this->entries($item, $version->root ?? $item->root, $until);
        }
        $sheet = $this->states->tree($version->root ?? $item->root);

        return $tab !== null && $sheet->has($tab) && $sheet->get($tab)->role === 'tab' ? Source::tab($sheet, $tab) : null;
    }

    /** The entries as everybody sees them, each under its own id. */
    private function entries(Item $form, string $root, ?CarbonImmutable $until): Source
    {
        $moment = $until?->format('Y-m-d H:i:s');
        $entries = (function () use ($form, $moment): Generator {
            foreach ($form->entries()->where(fn ($query) => $query->whereNull('deleted_at')->when($moment, fn ($query) => $query->orWhere('deleted_at', '>', $moment)))->orderBy('number')->with('live.version')->when($moment, fn ($query) => $query->where('created_at', '<=', $moment))->cursor() as $entry) {
                $stood = $moment === null ? $entry->live?->version : $entry->versions()->where('saved_at', '<=', $moment)->orderByDesc('number')->first();
                yield sprintf('entry%05d', (int) $entry->number) => [(string) $entry->created_at?->format('Y-m-d'), $this->states->tree($stood->root ?? $entry->root)];
            }
        })();

        return Source::entries($this->states->tree($root), $entries, (string) __('data.sent'));
    }

    /** What tells whether something that is followed has moved on. */
    public function state(Item $item): string
    {
        return $item->kind === 'form'
            ? sha1($item->root.'|'.$item->entries()->whereNull('deleted_at')->count().'|'.$item->entries()->whereNull('deleted_at')->sum('number').'|'.$item->entries()->max('changed_at').'|'.$item->entries()->max('live_id'))
            : $item->root;
    }
}
