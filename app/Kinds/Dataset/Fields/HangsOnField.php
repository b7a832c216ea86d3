<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetView;
use App\Models\Item;
use App\Models\User;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;

/** What hangs on a field of a dataset. */
final readonly class HangsOnField
{
    public function __construct(private States $states) {}

    /**
     * @return array{calculated: list<Part>, widgets: list<array{report: Item, widget: Part, fields: list<string>}>} fields that are
     *     calculated from it, and what reports draw from them
     */
    public function of(Item $item, string $field, User $person): array
    {
        $calculated = DatasetEdit::calculatedFrom($this->states->tree($item->root), [$field]);
        $fields = [$field, ...array_column($calculated, 'id')];
        $widgets = array_filter(
            DatasetView::hanging($item, $person, $this->states),
            fn (array $one): bool => array_intersect($fields, $one['fields']) !== [],
        );

        return ['calculated' => $calculated, 'widgets' => array_values($widgets)];
    }
}
