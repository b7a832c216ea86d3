<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Item;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;

/** A report whose widgets count what people change, beside the same counted here, plainly. */
final class Figured
{
    /** @param list<Item> $datasets */
    public function __construct(private readonly World $world, private readonly Item $report, private readonly array $datasets) {}

    /**
     * Widgets for every field of some datasets: how many records there are of each value, and of numbers what they add up to.
     *
     * @param  array<string, array{Item, PartTree}>  $datasets
     */
    public static function start(array $datasets): PartTree
    {
        $parts = [new Part('fpag', 'page', 0, ['title' => 'All of it'])];
        foreach ($datasets as [$dataset, $tree]) {
            foreach ($tree->parts as $field) {
                foreach ($field->role === 'field' ? ['count' => $field->id, "sum:{$field->id}" => ''] : [] as $measure => $by) {
                    $parts[] = new Part(sprintf('w%04d', count($parts)), 'widget', 1, [
                        'type' => 'table',
                        'title' => '',
                        'source' => $dataset->key,
                        'measure' => $measure,
                        ...$by === '' ? [] : ['by' => $by],
                        'most' => 1000,
                        'x' => 0,
                        'y' => 4 * count($parts),
                        'across' => 6,
                        'down' => 4,
                    ]);
                }
            }
        }

        return PartTree::of($parts);
    }

    public function hold(): void
    {
        foreach ($this->world->states->tree($this->report->refresh()->root)->parts as $widget) {
            if ($widget->role === 'widget') {
                $this->widget($widget);
            }
        }
    }

    private function widget(Part $widget): void
    {
        $dataset = array_values(array_filter($this->datasets, fn (Item $one) => $one->key === $widget->string('source')))[0];
        $tree = $this->world->states->tree($dataset->refresh()->root);
        [$measure, $of] = [...explode(':', $widget->string('measure')), ''];
        $field = $tree->find($measure === 'sum' ? $of : $widget->string('by'));
        $answer = $this->world->as('ines')->get(route('report.figures', [$this->report, $widget->id]));
        $says = "{$widget->string('measure')} by {$widget->string('by')} of {$dataset->title}";
        if ($field?->role !== 'field' || ($measure === 'sum' && ! in_array($field->string('type'), ['number', 'money'], true))) {
            $answer->getStatusCode() === 404
                || throw Broken::law(
                    'A figure equals its calculation',
                    "{$says} was answered {$answer->getStatusCode()}, though there is nothing to count",
                );

            return;
        }
        $this->world->allowed($answer, "asking for {$says}");
        $records = array_map(
            fn (Part $part): mixed => Cell::result($part->fields[$field->id] ?? null),
            array_filter($tree->parts, fn (Part $part) => $part->role === 'record'),
        );
        $wanted = $measure === 'sum' ? $this->sum($records) : $this->counts($records, $field->string('type'));
        $given = $this->read((string) $answer->getContent(), $measure === 'sum');
        $given === $wanted
            || throw Broken::law('A figure equals its calculation', "{$says} is ".json_encode($given).', not '.json_encode($wanted));
    }

    /**
     * @param  array<mixed>  $values
     * @return array<string, float>
     */
    private function sum(array $values): array
    {
        return ['all' => (float) array_sum(array_filter($values, fn (mixed $value) => is_int($value) || is_float($value)))];
    }

    /**
     * @param  array<mixed>  $values
     * @param  string  $type  what is none of it counts as nothing until it is mended
     * @return array<string, float>
     */
    private function counts(array $values, string $type): array
    {
        $counts = [];
        foreach ($values as $value) {
            $holds = match ($type) {
                'number', 'money' => is_int($value) || is_float($value),
                'boolean' => is_bool($value),
                'date' => is_array($value),
                default => true,
            };
            $shown = $holds ? (is_array($value) ? (string) $value[1] : Cell::show($value)) : '';
            $counts["={$shown}"] = ($counts["={$shown}"] ?? 0.0) + 1;
        }
        ksort($counts);

        return $counts;
    }

    /** @return array<string, float> */
    private function read(string $csv, bool $isSum): array
    {
        $found = [];
        foreach (
            array_slice(array_map(fn (string $line) => str_getcsv($line, escape: ''), preg_split('/\r\n/', trim($csv)) ?: []), 1) as $cells
        ) {
            $key = (string) $cells[0];
            $key = str_starts_with($key, "'") ? substr($key, 1) : $key;
            if (($cells[1] ?? '') !== '') {
                $found[$isSum ? 'all' : '='.($key === __('data.none') ? '' : $key)] = (float) $cells[1];
            }
        }
        ksort($found);

        // Of nothing, it is nothing.
        return $isSum && $found === [] ? ['all' => 0.0] : $found;
    }
}
