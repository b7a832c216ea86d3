<?php

declare(strict_types=1);

namespace App\View\Sources;

use App\Models\Version;
use App\Store\States;
use App\View\Comparison;
use App\Words\Numbers;
use Closure;
use Illuminate\Http\Exceptions\HttpResponseException;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Files\Tracking;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\Workbook\CellNote;
use MistyAttic\Core\Formats\Workbook\SheetFormat;

/**
 * What a kind of items is written as, besides JSON, which each is: this is the plain one, with no other format. A kind that has some has
 * its own.
 */
class Files
{
    /** What its source is called. */
    public const SOURCE = 'JSON';

    public function __construct(protected readonly States $states) {}

    /** @return list<DocumentFormat|PageFormat|SheetFormat> */
    public function formats(): array
    {
        return [];
    }

    /** @return array<string, string> ending => what it is called */
    public function named(): array
    {
        $formats = $this->formats();

        return [
            ...array_combine(
                array_map(fn (DocumentFormat|PageFormat|SheetFormat $format) => (string) $format->value, $formats),
                array_map(fn (DocumentFormat|PageFormat|SheetFormat $format) => $format->label(), $formats),
            ),
            'json' => (string) __('item.json'),
        ];
    }

    /**
     * @param  Closure(string): ?string  $picture  its address by its chunk
     * @param  string|null  $of  the tab that is wanted, of a kind that has some
     * @param  Closure(float): void  $share  is told how far it has come, from 0 to 1
     * @return WrittenFile|null null when there is no such format
     *
     * @throws HttpResponseException when it is more than the format holds
     */
    public function write(Version $version, string $format, Closure $picture, ?string $of, Closure $share): ?WrittenFile
    {
        return null;
    }

    /**
     * The formats that take along what was said.
     *
     * @return array<string, string> ending => what it is called
     */
    public function noted(): array
    {
        return ['json' => (string) __('item.json_said')];
    }

    /**
     * @param  array<string, array<string, CellNote>>  $notes  row => column => what was said about a cell
     *
     * @throws HttpResponseException when it is more than the format holds
     */
    public function writeNoted(Version $version, string $format, array $notes): ?WrittenFile
    {
        return null;
    }

    /**
     * The formats that tell a comparison as changes which another program shows, accepts and rejects.
     *
     * @return array<string, string> ending => what it is called
     */
    public function tracked(): array
    {
        return [];
    }

    /** @param Closure(string): ?string $picture its address by its chunk */
    public function writeTracked(Comparison $comparison, Tracking $by, string $format, Closure $picture): ?WrittenFile
    {
        return null;
    }

    /**
     * What is compared line by line.
     *
     * @param  Closure(string): string  $picture  what stands for one
     */
    public function source(PartTree $tree, Closure $picture): string
    {
        return implode("\n", array_map(fn (Part $part) => str_repeat('  ', $part->depth).$part->record(), $tree->parts));
    }

    /** @throws HttpResponseException */
    protected function fits(Version $version, SheetFormat $format, int $cells): void
    {
        if ($cells > $format->mostCells()) {
            throw new HttpResponseException(
                redirect()
                    ->route('history', [
                        'item' => $version->item,
                        'from' => $version->number,
                        'to' => $version->item->head,
                        'view' => 'was',
                    ])
                    ->withErrors([
                        'format' => __('item.too_many_cells', [
                            'cells' => Numbers::said($cells),
                            'max' => Numbers::said($format->mostCells()),
                            'format' => strtoupper($format->value),
                        ]),
                    ]),
            );
        }
    }
}
