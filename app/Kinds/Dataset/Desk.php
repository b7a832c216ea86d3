<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Item;
use App\Models\User;
use App\Store\States;
use App\View\Desks\Desk as Plain;
use App\View\Desks\VisitorForm;
use App\View\OtherItems;
use Closure;
use Illuminate\Contracts\View\View;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;

/** A dataset is a list of records, sorted, looked through and changed one by one. */
final class Desk extends Plain
{
    public function __construct(States $states, private readonly DatasetColumns $columns, private readonly OtherItems $others)
    {
        parent::__construct($states);
    }

    public function takesProposals(Item $item): bool
    {
        return ! $item->follows();
    }

    public function forVisitors(Item $item, string $root, array $asked): VisitorForm
    {
        return new VisitorRecords($this->states, $root, $asked['from']);
    }

    public function asks(): array
    {
        return [
            'sort' => ['nullable', 'string', 'max:24'],
            'down' => ['nullable', 'boolean'],
            'find' => ['nullable', 'string', 'max:200'],
            'unread' => ['nullable', 'string', 'max:24'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    public function page(Item $item, User $person, array $asked, Closure $around): View
    {
        $view = new DatasetView(
            $this->columns->records($item->root),
            $asked['sort'] ?? '',
            (bool) ($asked['down'] ?? false),
            trim((string) ($asked['find'] ?? '')),
            (int) ($asked['page'] ?? 1),
            $asked['unread'] ?? '',
        );
        $fields = count($view->data->fields);

        return view('kinds.dataset.show', [
            'item' => $item->load('source'),
            'isTold' => $this->others->tellsOf($item->source),
            'view' => $view,
            'kind' => new DatasetKind,
            'tree' => PartTree::of(array_values($view->data->fields)),
            'rows' => collect($view->records->items())
                ->mapWithKeys(fn (int $row): array => [$row => $this->states->part($item->root, $fields + $row)->id ?? ''])
                ->all(),
            'hanging' => DatasetView::hanging($item, $person, $this->states),
            ...$around(true),
        ]);
    }
}
