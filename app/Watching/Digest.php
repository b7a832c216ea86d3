<?php

declare(strict_types=1);

namespace App\Watching;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Sharing\SendMail;
use App\View\ForYou\ForYou;
use App\View\ForYou\Notice;
use App\View\Phrases;
use App\View\Watching\Change;
use App\View\Watching\Changes;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\URL;

/**
 * What changed since the last time on what somebody watches, and what was said to them or proposed for what is theirs, in one mail; none
 * when nothing was. It tells what they may see when it is sent.
 */
final readonly class Digest
{
    /** Minutes after which a version is told of: until then it may still grow. */
    private const STILL = 2;

    /** Sentences of one mail. */
    private const MOST = 60;

    public function __construct(private SendMail $mail, private Phrases $phrases) {}

    /** @return bool whether there was something to tell */
    public function send(User $person): bool
    {
        $told = DB::table('digests')->where('user_id', $person->id)->first();
        $last = (int) ($told->version_id ?? 0);
        // Who never got a mail is told of the last day.
        $since = CarbonImmutable::parse($told->told_at ?? now()->subDay());
        // What this second brings may go on: the next mail tells it.
        $until = CarbonImmutable::now()->startOfSecond();
        $newest = (int) DB::table('versions')
            ->where('saved_at', '<=', now()->subMinutes(self::STILL)->format('Y-m-d H:i:s'))
            ->orderByDesc('id')
            ->limit(1)
            ->value('id');
        // Sentences name other items to those alone who may see them.
        $was = Auth::user();
        Auth::setUser($person);
        try {
            $changes = $this->changes($person, $last, $newest, isset($told->told_at) ? $since : null);
            $said = (new ForYou($person, $this->phrases))->between($since, $until);
        } finally {
            $was === null ? Auth::forgetUser() : Auth::setUser($was);
        }
        DB::table('digests')->upsert(
            ['user_id' => $person->id, 'version_id' => max($last, $newest), 'told_at' => $until->format('Y-m-d H:i:s')],
            ['user_id'],
        );
        if ($changes !== [] || $said !== []) {
            $subject = trans_choice(
                $changes === [] ? 'watching.digest.said' : 'watching.digest.subject',
                $changes === [] ? count($said) : count($changes),
                ['place' => (string) (config('attic.place') ?: config('mail.from.name'))],
            );
            $this->mail->handle(null, $person->email, $subject, $this->body($person, $said, $changes));
        }

        return $changes !== [] || $said !== [];
    }

    /** @return array<int, Change> by version */
    private function changes(User $person, int $last, int $newest, ?CarbonImmutable $since): array
    {
        $found = [];
        $watches = DB::table('watches')->where('user_id', $person->id)->orderByRaw('item_id IS NULL')->get();
        $own = $watches->whereNotNull('item_id')->pluck('how', 'item_id')->all();
        foreach ($watches as $watch) {
            $what = $watch->item_id !== null
                ? Item::query()->with('shelf.memberships')->standing()->find((int) $watch->item_id)
                : Shelf::query()->with('memberships')->whereNull('deleted_at')->find((int) $watch->shelf_id);
            if ($what === null || $watch->how === 'none' || Gate::forUser($person)->denies('view', $what)) {
                continue;
            }
            foreach (
                (new Changes($person, $this->phrases))->of($what, $last, $watch->how === 'marks', others: true, since: $since) as $change
            ) {
                // What was said of an item counts before what was said of its shelf.
                if ($change->version->id <= $newest && ($watch->item_id !== null || ! isset($own[$change->item->id]))) {
                    $found[$change->version->id] = $change;
                }
            }
        }
        krsort($found);

        return array_slice($found, 0, self::MOST, true);
    }

    /**
     * @param  list<Notice>  $said
     * @param  array<int, Change>  $changes
     */
    private function body(User $person, array $said, array $changes): string
    {
        $lines = [];
        foreach ($said as $notice) {
            $lines[(string) __('watching.digest.for_you')][] = "- {$notice->said} ({$notice->where})\n  {$notice->address}";
        }
        foreach ($changes as $change) {
            $lines[
                $change->item->title.', '.$change->item->shelf->name
            ][] = "- {$change->version->user->firstName()}: {$change->said}\n  {$change->address()}";
        }
        $text = implode(
            "\n\n",
            array_map(fn (string $where, array $of): string => $where."\n".implode("\n", $of), array_keys($lines), $lines),
        );

        return $text
            ."\n\n"
            .__('watching.digest.stop', [
                'link' => URL::to(URL::signedRoute('mails.none', ['person' => $person->id], absolute: false)),
                'account' => route('account'),
            ]);
    }
}
