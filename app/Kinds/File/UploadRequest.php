<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Http\Shelf\ShelfRequest;
use App\Models\Item;
use App\Models\Shelf;
use Illuminate\Auth\Access\Response;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\File\FileKind;

/** A file that somebody wants to send to a shelf. */
final class UploadRequest extends ShelfRequest
{
    protected const RIGHT = 'make';

    public function authorize(): Response
    {
        $item = $this->next();

        return $item === null ? parent::authorize() : Gate::inspect('write', $item);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:1000'],
            'size' => ['required', 'integer', 'min:0'],
            'item' => ['nullable', 'string', 'max:40'],
        ];
    }

    /** The file that it is to be the next version of. */
    public function next(): ?Item
    {
        return self::fileOf($this, $this->shelf());
    }

    public static function fileOf(Request $request, Shelf $shelf): ?Item
    {
        $key = $request->input('item');

        return ! is_string($key) || $key === ''
            ? null
            : Item::query()
                ->standing()
                ->where(['key' => $key, 'shelf_id' => $shelf->id, 'kind' => (new FileKind)->name()])
                ->firstOrFail();
    }
}
