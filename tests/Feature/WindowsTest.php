<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Store\States;
use Illuminate\Support\Facades\Cache;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

/**
 * Whatever two people do in two windows of one sheet, with answers that are late and answers that are lost: nothing is refused, and in the
 * end both windows hold what the server has. The windows are the browser's own: see tests/scripts/windows.mjs.
 */
final class WindowsTest extends FeatureCase
{
    /** @var resource */
    private $process;

    /** @var array<int, resource> */
    private array $pipes = [];

    public function test_two_windows_of_one_sheet_come_to_hold_what_the_server_has(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 99999));
        $lives = (int) (getenv('LIVES') ?: 12);
        $people = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $shelf = $this->shelf('Volunteers', [[$people[0], Role::Owner], [$people[1], Role::Editor]]);
        for ($life = $seed; $life < $seed + $lives; $life++) {
            $parts = json_decode((string) shell_exec('node '.escapeshellarg(base_path('tests/scripts/small-sheet.mjs'))." {$life}"), true);
            $tree = (new SpreadsheetKind)->read($parts, new Limits)->tree ?? self::fail('no sheet');
            $content = new Content(new SpreadsheetKind, $tree);
            $item = app(MakeItem::class)->handle($shelf, $people[0], 'spreadsheet', "Log {$life}", content: $content, keepIds: true);
            // So much in a minute is not asked for by people.
            Cache::flush();
            $this->live($item, $people, "SEED={$life}");
        }
    }

    /** @param list<User> $people */
    private function live(Item $item, array $people, string $seed): void
    {
        $script = ['node', base_path('tests/scripts/windows.mjs'), substr($seed, 5), $item->root];
        $this->process = proc_open($script, [['pipe', 'r'], ['pipe', 'w'], STDERR], $this->pipes) ?: self::fail('node does not begin');
        $this->say($this->parts($item));
        while (! isset($asked['end'])) {
            $line = fgets($this->pipes[1]);
            $asked = $line === false ? self::fail("{$seed}: the windows broke") : json_decode($line, true, flags: JSON_THROW_ON_ERROR);
            $this->actingAs($people[$asked['who'] ?? 0]);
            $answer = match (true) {
                isset($asked['put']) => $this->putJson(route('state.save', $item), $asked['put']),
                isset($asked['get']) => $this->getJson(route('state', [$item, 'since' => $asked['get']])),
                default => null,
            };
            $answer === null || self::assertSame(200, $answer->getStatusCode(), "{$seed}: ".json_encode($asked).' '.$answer->getContent());
            $this->say($answer?->json());
        }
        array_map(fclose(...), $this->pipes);
        proc_close($this->process);
        $item->refresh();
        foreach ($asked['end'] as $at => $window) {
            self::assertSame([$item->root, false], [$window['root'], $window['isDirty']], "{$seed}: window {$at} does not come to rest");
            self::assertEquals($this->parts($item), $window['parts'], "{$seed}: window {$at} holds something else");
        }
    }

    private function say(mixed $answer): void
    {
        fwrite($this->pipes[0], json_encode($answer, JSON_THROW_ON_ERROR)."\n");
    }

    /** @return list<mixed> as a window has them */
    private function parts(Item $item): array
    {
        $parts = array_map(fn (Part $part): array => $part->toJson(), app(States::class)->tree($item->root)->parts);

        return json_decode((string) json_encode($parts), true);
    }
}
