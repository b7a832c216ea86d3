<?php

declare(strict_types=1);

namespace Demo;

use App\Making\MakeItem;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;

/** Builds the demo: people and shelves, then every story in turn, each save at its own moment of a clock that is set by hand. */
final readonly class Replay
{
    private const DAYS = 120;

    public function __construct(private Teller $teller) {}

    /** @param \Closure(string): void $say */
    public function all(CarbonImmutable $until, \Closure $say): void
    {
        $start = $until->startOfDay()->subDays(self::DAYS - 1);
        Date::setTestNow($start->setTime(9, 0));
        $this->people();
        $say('  people and shelves');
        foreach (glob(__DIR__.'/stories/*.txt') ?: [] as $file) {
            // One transaction a story: the disk is asked to settle once, not at every save.
            $count = DB::transaction(fn () => $this->teller->tell(Story::read($file), $start));
            $say("  {$count} versions of ".basename($file, '.txt'));
        }
        Date::setTestNow();
    }

    private function people(): void
    {
        foreach (file(__DIR__.'/people.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            if ($line[0] === '#') {
                continue;
            }
            if (str_ends_with($line, ' asks for a yes')) {
                Shelf::query()->where('name', substr($line, 0, -15))->update(['asks' => true]);

                continue;
            }
            [$name, $email, $places] = preg_split('/\s{2,}/', $line) ?: [];
            $user = User::query()->create([
                'name' => $name,
                'email' => $email,
                'password' => 'attic-demo',
                'colour' => User::nextColour(),
                'keeps_place' => User::query()->doesntExist(),
            ]);
            foreach (explode(', ', $places) as $place) {
                if (preg_match('/^(.+) (owner|editor|viewer)( who publishes)?$/', $place, $found) !== 1) {
                    throw new \UnexpectedValueException("people.txt: “{$place}” is no place on a shelf");
                }
                $shelf = Shelf::query()->where('name', $found[1])->first()
                ?? Shelf::query()->create(['key' => MakeItem::key(), 'name' => $found[1]]);
                $shelf->memberships()->create(['user_id' => $user->id, 'role' => Role::from($found[2]), 'publishes' => isset($found[3])]);
            }
        }
    }
}
