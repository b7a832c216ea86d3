<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\ItemRequest;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** A version to be published, or to be asked for. */
final class PublishRequest extends ItemRequest
{
    public function authorize(): Response
    {
        return $this->isNow() ? Response::allow() : Gate::inspect('askToPublish', $this->item());
    }

    /** Whether they need nobody's yes. */
    public function isNow(): bool
    {
        $number = $this->route('number');

        return Gate::allows('publishNow', [$this->item(), is_numeric($number) ? (int) $number : null]);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['note' => ['nullable', 'string', 'max:'.config('attic.note')]];
    }

    public function note(): ?string
    {
        return trim($this->string('note')->toString()) ?: null;
    }
}
