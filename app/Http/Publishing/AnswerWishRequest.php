<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\ItemRequest;
use App\Models\Publishing;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** Yes or no to a wish to publish, or its withdrawal. */
final class AnswerWishRequest extends ItemRequest
{
    public function authorize(): Response
    {
        $wish = $this->route('publishing');
        $see = Gate::inspect('seeWish', [$this->item(), $wish]);
        if ($see->denied() || ! $wish instanceof Publishing) {
            return $see;
        }
        $own = $wish->user_id === $this->user()?->getAuthIdentifier();

        return match (true) {
            $this->input('answer') !== 'withdrawn' => Gate::inspect('answer', [$this->item(), $wish]),
            $own => Gate::inspect('askToPublish', $this->item()),
            default => Response::deny(),
        };
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['answer' => ['required', 'in:published,refused,withdrawn'], 'note' => ['nullable', 'string', 'max:'.config('attic.note')]];
    }

    public function note(): ?string
    {
        return trim($this->string('note')->toString()) ?: null;
    }
}
