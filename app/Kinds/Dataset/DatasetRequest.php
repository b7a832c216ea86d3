<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Http\ItemRequest;
use App\Store\HandedRoots;

/** A change to a dataset, and the state that it was made to. */
class DatasetRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['base' => ['required', 'string', 'regex:/^[0-9a-f]{40}$/']];
    }

    public function base(): string
    {
        $item = $this->item();
        abort_unless($item->kind === 'dataset', 404);
        $base = $this->string('base')->toString();
        abort_unless(app(HandedRoots::class)->has($item, $base), 409);

        return $base;
    }
}
