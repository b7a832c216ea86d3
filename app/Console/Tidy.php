<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** To be run now and then: forgets who was where, and which states windows that are long closed had sent. Versions stay. */
final class Tidy extends Command
{
    /** How long somebody may be away from the server and still have what they wrote merged. */
    private const DAYS = 60;

    protected $signature = 'attic:tidy';

    protected $description = 'Forgets presences and the sent states of windows that were closed long ago';

    public function handle(): int
    {
        $states = DB::table('sent_states')->where('updated_at', '<', now()->subDays(self::DAYS))
            ->whereNotIn('root', DB::table('held_edits')->whereNull('settled_at')->select('root'))->delete();
        $presences = DB::table('presences')->where('seen_at', '<', now()->subDay())->delete();
        $this->line("{$states} sent states and {$presences} presences forgotten.");

        return self::SUCCESS;
    }
}
