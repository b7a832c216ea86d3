<?php

declare(strict_types=1);

namespace App\Sharing;

use App\Models\Invitation;
use App\Models\LogLine;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\URL;

/**
 * Puts somebody on a shelf, or asks them to come. Who follows a link that was mailed has shown that the address is theirs; a
 * link that is handed over shows nothing of that kind, so there is one only for an address that nobody knows here yet, and it
 * gives no more than its own shelf.
 */
final readonly class Invite
{
    public function __construct(private SendMail $mail) {}

    /** @return Invitation|null null when they have an account of a known address, and are on the shelf now */
    public function handle(Shelf $shelf, User $owner, string $email, string $name, Role $role): ?Invitation
    {
        return DB::transaction(function () use ($shelf, $owner, $email, $name, $role): ?Invitation {
            $person = User::query()->where('email', $email)->first();
            if ($person?->proved === true) {
                $shelf->memberships()->firstOrCreate(['user_id' => $person->id], ['role' => $role]);
                LogLine::ofShelf('joined', $owner, $shelf, $person->name, ['is' => $role->value]);

                return null;
            }
            $invitation = Invitation::query()->updateOrCreate(
                ['shelf_id' => $shelf->id, 'email' => $email],
                [
                    'user_id' => $owner->id,
                    'name' => $person->name ?? $name,
                    'role' => $role,
                    'expires_at' => now()->addDays(Invitation::DAYS),
                ],
            );
            LogLine::ofShelf('invited', $owner, $shelf, $email, ['is' => $role->value]);
            $this->mail->handle(
                null,
                $email,
                __('people.mail.subject', ['name' => $owner->name, 'shelf' => $shelf->name]),
                __('people.mail.body', [
                    'name' => $owner->name,
                    'shelf' => $shelf->name,
                    'link' => self::link($invitation, true),
                    'days' => (string) Invitation::DAYS,
                ]),
            );

            return $invitation;
        });
    }

    /** Whether nobody else has to do with an address: no account, and no invitation elsewhere. */
    public function isNew(string $email): bool
    {
        return User::query()->where('email', $email)->doesntExist() && Invitation::query()->where('email', $email)->doesntExist();
    }

    /** @param bool $mailed whether it goes to the address, and to nobody else */
    public static function link(Invitation $invitation, bool $mailed): string
    {
        return URL::to(
            URL::temporarySignedRoute(
                'invitation',
                $invitation->expires_at,
                ['invitation' => $invitation, ...$mailed ? ['mailed' => 1] : []],
                absolute: false,
            ),
        );
    }
}
