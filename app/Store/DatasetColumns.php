<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Version;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;

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
        $head = DB::table('dataset_columns')->where(['root' => $root, 'field' => ''])->first();
        if ($head === null) {
            return $this->changed($root) ?? $this->make($root);
        }
        if ($head->used_at < now()->subDay()->format('Y-m-d H:i:s')) {
            DB::table('dataset_columns')->where('root', $root)->update(['used_at' => now()->format('Y-m-d H:i:s')]);
        }
        $kept = json_decode((string) $head->content, true, flags: JSON_THROW_ON_ERROR);

        /** @var list<string> $fields */
        $fields = $kept['fields'];

        return new Records(array_map(Part::fromRecord(...), $fields), $kept['count'], function (string $field) use ($root, $kept): array {
            $content = DB::table('dataset_columns')->where(['root' => $root, 'field' => $field])->value('content');
            $values = is_string($content) ? json_decode($content, true, flags: JSON_THROW_ON_ERROR) : array_fill(0, (int) $kept['count'], null);

            return is_array($values) ? array_values($values) : [];
        });
    }

    /** The columns of the version before, with what a few changes made of them; null when it takes reading all of it. */
    private function changed(string $root): ?Records
    {
        $version = Version::query()->where('root', $root)->orderByDesc('id')->first(['item_id', 'number']);
        $before = $version === null ? null : Version::query()->where(['item_id' => $version->item_id, 'number' => $version->number - 1])->value('root');
        $head = ! is_string($before) ? null : DB::table('dataset_columns')->where(['root' => $before, 'field' => ''])->value('content');
        if (! is_string($before) || ! is_string($head)) {
            return null;
        }
        $kept = json_decode($head, true, flags: JSON_THROW_ON_ERROR);
        $fields = count($kept['fields']);
        $stretches = array_reverse($this->states->compare($before, $root));
        $count = $kept['count'];
        foreach ($stretches as $stretch) {
            $count += count($stretch->new) - count($stretch->old);
            $other = array_filter([...$stretch->old, ...$stretch->new], fn (Part $part) => $part->role !== 'record');
            if ($stretch->oldFrom < $fields || $other !== [] || count($stretch->new) + count($stretch->old) > self::FEW) {
                return null;
            }
        }
        foreach (DB::table('dataset_columns')->where('root', $before)->where('field', '!=', '')->pluck('content', 'field') as $field => $content) {
            $values = json_decode((string) $content, true, flags: JSON_THROW_ON_ERROR);
            foreach ($stretches as $stretch) {
                array_splice($values, $stretch->oldFrom - $fields, count($stretch->old), array_map(fn (Part $record) => $record->fields[$field] ?? null, $stretch->new));
            }
            $this->keep($root, (string) $field, json_encode($values, self::JSON));
        }
        $this->keep($root, '', json_encode(['fields' => $kept['fields'], 'count' => $count], self::JSON));

        return $this->read($root);
    }

    private function keep(string $root, string $field, string $content): void
    {
        DB::table('dataset_columns')->upsert(['root' => $root, 'field' => $field, 'content' => $content, 'used_at' => now()->format('Y-m-d H:i:s')], ['root', 'field'], ['used_at']);
    }

    private function make(string $root): Records
    {
        $fields = $records = [];
        foreach ($this->states->tree($root)->parts as $part) {
            if ($part->role === 'field') {
                $fields[] = $part;
            } else {
                $records[] = $part;
            }
        }
        $columns = ['' => json_encode(['fields' => array_map(fn (Part $field) => $field->record(), $fields), 'count' => count($records)], self::JSON)];
        foreach ($fields as $field) {
            if ($field->string('expression') === '') {
                $columns[$field->id] = json_encode(array_map(fn (Part $record) => $record->fields[$field->id] ?? null, $records), self::JSON);
            }
        }
        foreach ($columns as $field => $content) {
            $this->keep($root, (string) $field, $content);
        }

        return new Records($fields, count($records), fn (string $field): array => array_map(fn (Part $record) => $record->fields[$field] ?? null, $records));
    }
}
