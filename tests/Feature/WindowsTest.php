<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\Restoring\RestoreVersion;
use App\Store\States;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PHPUnit\Framework\Attributes\TestWith;

/**
 * Whatever two people do in three windows of one item, with versions that come back, answers that are late and answers that are lost,
 * and one of them who may not write for a while: nothing else is refused, in the end all windows hold what the server has, and what went
 * from a window while others' work came in is in a version or held back. The windows are the browser's own: see
 * tests/scripts/windows.mjs.
 */
final class WindowsTest extends FeatureCase
{
    /** @var resource */
    private $process;

    /** @var array<int, resource> */
    private array $pipes = [];

    #[TestWith(['spreadsheet'])]
    #[TestWith(['document'])]
    #[TestWith(['page'])]
    #[TestWith(['form'])]
    public function test_windows_of_one_item_come_to_hold_what_the_server_has(string $kind): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 99999));
        $lives = (int) (getenv('LIVES') ?: 2);
        $people = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $shelf = $this->shelf('Volunteers', [[$people[0], Role::Owner], [$people[1], Role::Editor]]);
        for ($life = $seed; $life < $seed + $lives; $life++) {
            $content = $kind === 'spreadsheet' ? $this->smallSheet($life) : null;
            $item = app(MakeItem::class)->handle($shelf, $people[0], $kind, "Log {$life}", content: $content, keepIds: true);
            // So much in a minute is not asked for by people.
            Cache::flush();
            $this->live($item, $people, $life);
        }
    }

    private function smallSheet(int $seed): Content
    {
        $parts = json_decode((string) shell_exec('node '.escapeshellarg(base_path('tests/scripts/small-sheet.mjs'))." {$seed}"), true);

        return new Content(new SpreadsheetKind, (new SpreadsheetKind)->read($parts, new Limits)->tree ?? self::fail('no sheet'));
    }

    /** @param list<User> $people */
    private function live(Item $item, array $people, int $seed): void
    {
        $at = "SEED={$seed}, {$item->kind}";
        $script = ['node', base_path('tests/scripts/windows.mjs'), (string) $seed, $item->kind, $item->root];
        $this->process = proc_open($script, [['pipe', 'r'], ['pipe', 'w'], STDERR], $this->pipes) ?: self::fail('node does not begin');
        $this->say(array_map(fn (Part $part): array => $part->toJson(), app(States::class)->tree($item->root)->parts));
        while (! isset($asked['end'])) {
            $line = fgets($this->pipes[1]);
            $asked = $line === false ? self::fail("{$at}: the windows broke") : json_decode($line, true, flags: JSON_THROW_ON_ERROR);
            $this->actingAs($people[$asked['who'] ?? 0]);
            $answer = match (true) {
                isset($asked['put']) => $this->putJson(route('state.save', $item), $asked['put']),
                isset($asked['restore']) => $this->restore($item, $people[$asked['who']], (int) $asked['restore']),
                isset($asked['role']) => $this->give($item, $people[$asked['who']], Role::from($asked['role'])),
                isset($asked['get']) => $this->getJson(route('state', [$item, ...array_filter(['since' => $asked['get']])])),
                default => null,
            };
            if ($answer === null) {
                $this->say(null);

                continue;
            }
            $may = Gate::forUser($people[$asked['who']])->allows(isset($asked['put']) ? 'write' : 'draft', $item);
            $what = "{$at}: ".json_encode($asked).' '.$answer->getContent();
            self::assertSame($may, $answer->isOk(), $what);
            $may || self::assertContains($answer->getStatusCode(), [403, 404], $what);
            $this->say($may ? $answer->json() : ['mayNot' => true]);
        }
        array_map(fclose(...), $this->pipes);
        proc_close($this->process);
        $root = $item->refresh()->root;
        $kept = $this->kept($item);
        foreach ($asked['went'] as $word) {
            self::assertStringContainsString($word, $kept, "{$at}: what somebody wrote is nowhere");
        }
        foreach ($asked['end'] as $who => $window) {
            self::assertSame([$root, false], [$window['root'], $window['isDirty']], "{$at}: window {$who} does not come to rest");
            self::assertEquals($window['fresh'], $window['parts'], "{$at}: window {$who} holds something else than the server");
        }
    }

    /** Brings back one of the versions, whichever the number comes to. */
    private function restore(Item $item, User $person, int $number): null
    {
        $versions = Version::query()->where('item_id', $item->refresh()->id)->orderBy('number')->get();
        $version = $versions->values()->get($number % count($versions)) ?? self::fail('there is no version');
        app(RestoreVersion::class)->handle($item, $version->setRelation('item', $item), $person, $item->head);

        return null;
    }

    private function give(Item $item, User $person, Role $role): null
    {
        $item->shelf->memberships()->where('user_id', $person->id)->update(['role' => $role]);
        $item->unsetRelation('shelf');

        return null;
    }

    /** All that its versions hold, and what is held back. */
    private function kept(Item $item): string
    {
        $roots = Version::query()->where('item_id', $item->id)->pluck('root')->unique()->all();
        $states = array_map(fn (string $root): string => json_encode(
            array_map(fn (Part $part): array => $part->toJson(), app(States::class)->tree($root)->parts),
            JSON_THROW_ON_ERROR,
        ), $roots);

        return implode("\n", [...$states, ...HeldEdit::query()->where('item_id', $item->id)->pluck('conflict')->all()]);
    }

    private function say(mixed $answer): void
    {
        fwrite($this->pipes[0], json_encode($answer, JSON_THROW_ON_ERROR)."\n");
    }
}
