<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use Carbon\CarbonImmutable;

/** A name for a moment of a shelf: of its milestone, or of the shelf that it is copied out as. */
final class NameMomentRequest extends ShelfRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['at' => ['required', 'date_format:Y-m-d\TH:i:s\Z'], 'name' => ['required', 'string', 'max:'.config('attic.title')]];
    }

    public function moment(): CarbonImmutable
    {
        return CarbonImmutable::parse((string) $this->validated('at'), 'UTC')->min(CarbonImmutable::now('UTC'));
    }

    public function name(): string
    {
        return trim((string) $this->validated('name'));
    }
}
