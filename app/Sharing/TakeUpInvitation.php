<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Invitation;
use App\Models\LogLine;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Somebody comes who was invited. */
final readonly class TakeUpInvitation
{
    /** By an account that is there. */
    public function join(Invitation $invitation, User $person, bool $mailed): void
    {
        DB::transaction(function () use ($invitation, $person, $mailed): void {
            $invitation->shelf->memberships()->firstOrCreate(['user_id' => $person->id], ['role' => $invitation->role]);
            LogLine::ofShelf('came', $person, $invitation->shelf, $person->name, ['is' => $invitation->role->value]);
            $person->update(['proved' => $person->proved || $mailed]);
            $invitation->delete();
        });
    }

    /**
     * With a password of one's own: of a new account, or of one that somebody had made for an address without showing that it
     * is theirs. Whoever got the mail has shown it, and the earlier password opens nothing any more.
     */
    public function begin(Invitation $invitation, string $name, string $password, bool $mailed): User
    {
        return DB::transaction(function () use ($invitation, $name, $password, $mailed): User {
            $person = User::query()->where('email', $invitation->email)->first();
            if ($person === null) {
                $person = User::query()->create([
                    'name' => $name,
                    'email' => $invitation->email,
                    'password' => $password,
                    'colour' => User::nextColour(),
                    'proved' => $mailed,
                ]);
            } else {
                $person->update(['password' => $password]);
                $person->forceFill(['remember_token' => Str::random(60)])->save();
            }
            $this->join($invitation, $person, $mailed);

            return $person;
        });
    }
}
