<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Models\Invitation;
use Illuminate\Foundation\Http\FormRequest;

/** An invitation that is taken up: with a password where an account begins by it. */
final class TakeUpInvitationRequest extends FormRequest
{
    /** The address is signed; whose it is is asked when it is taken up. */
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return $this->invitation()->begins($this->user(), $this->boolean('mailed'))
            ? ['name' => ['nullable', 'string', 'max:80'], 'password' => ['required', 'string', 'min:10', 'max:200', 'confirmed']]
            : [];
    }

    /** What the address means, if it stands still. */
    public function invitation(): Invitation
    {
        $number = $this->route('invitation');

        return Invitation::standing(is_numeric($number) ? (int) $number : 0) ?? abort(410, __('sign-in.used'));
    }
}
