<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\User;
use App\Watching\Digest;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** To be run every morning, and with `--soon` every quarter of an hour. */
final class SendDigests extends Command
{
    protected $signature = 'attic:digest {--soon : To those who want it within a quarter of an hour, instead of those who want it once a day}';

    protected $description = 'Mails to each who watches something what changed on it since the last time';

    public function handle(Digest $digest): int
    {
        $sent = 0;
        foreach (User::query()->people()->where('mails', $this->option('soon') ? 'soon' : 'daily')->where('proved', true)->whereNull('left_at')->whereIn('id', DB::table('watches')->select('user_id'))->orderBy('id')->get() as $person) {
            $sent += $digest->send($person) ? 1 : 0;
        }
        $this->line("{$sent} mails.");

        return self::SUCCESS;
    }
}
