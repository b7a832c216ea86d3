<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\User;
use App\Watching\Digest;
use Illuminate\Console\Command;

/** To be run with `--morning` every hour, and with `--soon` every quarter of an hour. */
final class SendDigests extends Command
{
    /** The hour of the day at which the daily mail goes. */
    private const MORNING = 6;

    protected $signature = 'attic:digest {--soon : To those who want it within a quarter of an hour, instead of those who want it once a day} {--morning : Only to those by whose clock it is between six and seven}';

    protected $description = 'Mails to each what changed on what they watch since the last time, and what was said to them or proposed';

    public function handle(Digest $digest): int
    {
        $sent = 0;
        foreach (
            User::query()
                ->people()
                ->where('mails', $this->option('soon') ? 'soon' : 'daily')
                ->where('proved', true)
                ->whereNull('left_at')
                ->orderBy('id')
                ->get() as $person
        ) {
            if ($this->option('morning') && now()->setTimezone($person->zone ?: (string) config('app.timezone'))->hour !== self::MORNING) {
                continue;
            }
            $sent += $digest->send($person) ? 1 : 0;
        }
        $this->line("{$sent} mails.");

        return self::SUCCESS;
    }
}
