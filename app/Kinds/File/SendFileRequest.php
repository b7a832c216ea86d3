<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Http\Making\TakesFile;
use App\Http\Shelf\ShelfRequest;
use App\Models\Item;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** A file that is sent whole, by a browser without scripts. */
final class SendFileRequest extends ShelfRequest
{
    use TakesFile;

    protected const RIGHT = 'make';

    public function authorize(): Response
    {
        $item = $this->next();

        return $item === null ? parent::authorize() : Gate::inspect('write', $item);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['file' => $this->fileRules('required'), 'item' => ['nullable', 'string', 'max:40']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $big = (string) __('file.big_without_scripts', ['max' => '10']);

        return ['file.required' => (string) __('item.file_none'), 'file.max' => $big, 'file.uploaded' => $big];
    }

    public function next(): ?Item
    {
        return UploadRequest::fileOf($this, $this->shelf());
    }
}
