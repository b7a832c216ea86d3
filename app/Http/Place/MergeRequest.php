<?php

declare(strict_types=1);

namespace App\Http\Place;

use App\Models\User;
use App\Sharing\MergePeople;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** Which account somebody is who has two, and the address of the one that goes, typed. */
final class MergeRequest extends FormRequest
{
    public function authorize(): bool
    {
        return $this->user()?->keeps_place === true;
    }

    /** @return array<string, list<mixed>> */
    public function rules(MergePeople $merge): array
    {
        return [
            'into' => [
                'required',
                'integer',
                function (string $field, mixed $id, Closure $fail) use ($merge): void {
                    $person = User::query()->people()->whereKeyNot($this->double()->id)->find((int) $id);
                    $person === null
                        ? $fail(__('place.merge.nobody'))
                        : ($items = $merge->inTheWay($this->double(), $person)) === []
                            || $fail(__('place.merge.proposals', ['items' => '“'.implode('”, “', $items).'”']));
                },
            ],
            'address' => [
                'required',
                'string',
                'max:200',
                function (string $field, mixed $address, Closure $fail): void {
                    mb_strtolower(trim((string) $address)) === mb_strtolower($this->double()->email) || $fail(__('place.merge.wrong'));
                },
            ],
        ];
    }

    public function double(): User
    {
        $person = $this->route('person');

        return $person instanceof User ? $person : abort(404);
    }

    public function into(): User
    {
        return User::query()->people()->findOrFail($this->integer('into'));
    }
}
