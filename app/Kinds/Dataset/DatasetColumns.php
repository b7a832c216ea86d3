<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/**
 * The columns of datasets, so that figures read the few that they need instead of every record. They are made from a state the
 * first time it is asked for, under its address: they never grow old, and can be thrown away at any time.
 */
final class DatasetColumns
{
    /** Days for which the columns of a state are kept after they were asked for last. */
    public const DAYS = 30;

    /** Records that differ from the version before, for its columns to be gone on from. */
    private const FEW = 2_000;

    private const JSON = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION;

    /** @var array<string, Records> by root */
    private array $known = [];

    public function __construct(private readonly States $states) {}

    public function records(string $root): Records
    {
        return $this->known[$root] ??= $this->read($root);
    }

    private function read(string $root): Records
    {
        $head = $this->head($root);
        if ($head === null) {
            return $this->changed($root) ?? $this->make($root);
        }
        if ($head['used_at'] < now()->subDay()->format('Y-m-d H:i:s')) {
            DB::table('dataset_columns')->where('root', $root)->update(['used_at' => now()->format('Y-m-d H:i:s')]);
        }

        return Records::kept($head['fields'], $head['count'], fn (string $field): array => $this->column($root, $field));
    }

    /**
     * @return array{fields: list<Part>, count: int, used_at: string}|null null when there is nothing of that state, or what another release
     *     made of it
     */
    private function head(string $root): ?array
    {
        $row = DB::table('dataset_columns')->where(['root' => $root, 'field' => ''])->first();
        /** @var array{fields: list<string>, count: int, by?: string}|null $head */
        $head = $row === null ? null : json_decode((string) $row->content, true, flags: JSON_THROW_ON_ERROR);

        return $row === null || $head === null || ($head['by'] ?? '') !== self::maker()
            ? null
            : [
                'fields' => array_map(Part::fromRecord(...), $head['fields']),
                'count' => $head['count'],
                'used_at' => (string) $row->used_at,
            ];
    }

    /** @return array{list<mixed>, array<int, mixed>} see {@see Records::kept} */
    private function column(string $root, string $field): array
    {
        $kept = json_decode(
            (string) DB::table('dataset_columns')
                ->where(['root' => $root, 'field' => $field])
                ->value('content'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );

        return [$kept[0], $kept[1]];
    }

    /** The state of the version before the last one with a state; null when there is none. */
    private static function before(string $root): ?string
    {
        $version = Version::query()
            ->where('root', $root)
            ->orderByDesc('id')
            ->first(['item_id', 'number']);
        $before = $version === null
            ? null
            : Version::query()
                ->where('item_id', $version->item_id)
                ->where('number', '<', $version->number)
                ->orderByDesc('number')
                ->value('root');

        return is_string($before) ? $before : null;
    }

    /** The columns of the version before, with what a few changes made of them; null when it takes reading all of it. */
    private function changed(string $root): ?Records
    {
        $before = self::before($root);
        $head = $before === null ? null : $this->head($before);
        if ($before === null || $head === null) {
            return null;
        }
        $fields = count($head['fields']);
        $stretches = array_reverse($this->states->compare($before, $root));
        $count = $head['count'];
        $new = [];
        foreach ($stretches as $stretch) {
            $count += count($stretch->new) - count($stretch->old);
            $other = array_filter([...$stretch->old, ...$stretch->new], fn (Part $part) => $part->role !== 'record');
            if ($stretch->oldFrom < $fields || $other !== [] || count($stretch->new) + count($stretch->old) > self::FEW) {
                return null;
            }
            $new[] = Records::of(PartTree::of([...$head['fields'], ...$stretch->new]));
        }
        $columns = [];
        foreach ($head['fields'] as $part) {
            [$values, $unread] = $this->column($before, $part->id);
            foreach ($stretches as $at => $stretch) {
                [$from, $length] = [$stretch->oldFrom - $fields, count($stretch->old)];
                array_splice($values, $from, $length, $new[$at]->column($part->id));
                $unread = self::moved($unread, $from, $length, count($stretch->new), $new[$at]->unread($part->id));
            }
            ksort($unread);
            $this->keep($root, $part->id, $values, $unread);
            $columns[$part->id] = [$values, $unread];
        }
        $this->keepHead($root, $head['fields'], $count);

        return Records::kept($head['fields'], $count, fn (string $field): array => $columns[$field] ?? [[], []]);
    }

    /**
     * Rows that can't be read, where some rows took the place of others.
     *
     * @template T
     *
     * @param  array<int, T>  $unread  by row
     * @param  array<int, T>  $come  by row among those that came
     * @return array<int, T>
     */
    private static function moved(array $unread, int $from, int $length, int $count, array $come): array
    {
        $moved = [];
        foreach ($unread as $row => $value) {
            if ($row < $from || $row >= $from + $length) {
                $moved[$row < $from ? $row : $row + $count - $length] = $value;
            }
        }
        foreach ($come as $row => $value) {
            $moved[$from + $row] = $value;
        }

        return $moved;
    }

    private function make(string $root): Records
    {
        $tree = $this->states->tree($root);
        $records = Records::of($tree);
        foreach (array_keys($records->fields) as $field) {
            $this->keep($root, (string) $field, $records->column((string) $field), $records->unread((string) $field));
        }
        $this->keepHead($root, array_values($records->fields), $records->count);

        return $records;
    }

    /**
     * @param  list<mixed>  $values
     * @param  array<int, mixed>  $unread
     */
    private function keep(string $root, string $field, array $values, array $unread): void
    {
        $this->put($root, $field, json_encode([$values, (object) $unread], self::JSON));
    }

    /**
     * Last, since what has no head is made again.
     *
     * @param  list<Part>  $fields
     */
    private function keepHead(string $root, array $fields, int $count): void
    {
        $this->put(
            $root,
            '',
            json_encode(
                ['fields' => array_map(fn (Part $field) => $field->record(), $fields), 'count' => $count, 'by' => self::maker()],
                self::JSON,
            ),
        );
    }

    private function put(string $root, string $field, string $content): void
    {
        DB::table('dataset_columns')->upsert(
            ['root' => $root, 'field' => $field, 'content' => $content, 'used_at' => now()->format('Y-m-d H:i:s')],
            ['root', 'field'],
            ['content', 'used_at'],
        );
    }

    /** What another release calculated may differ. */
    private static function maker(): string
    {
        static $maker = null;

        return $maker ??= md5(
            implode(
                '',
                array_map(file_get_contents(...), [
                    __FILE__,
                    ...glob(base_path('core/Calculate/Data/{Expression*,Records}.php'), GLOB_BRACE) ?: [],
                ]),
            ),
        );
    }
}
