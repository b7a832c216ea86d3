<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Shelf\ShelfRequest;
use App\View\Keeping\LogView;
use Illuminate\Validation\Rule;

/** Which lines of a shelf's log. */
final class LogRequest extends ShelfRequest
{
    protected const RIGHT = 'manage';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'about' => ['nullable', Rule::in(array_keys(LogView::ABOUT))],
            'who' => ['nullable', 'integer', 'min:1'],
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
        ];
    }

    /** @return array{string, int} what it is about, and whose; '' and 0 for all */
    public function asked(): array
    {
        return [$this->string('about')->toString(), $this->integer('who')];
    }
}
