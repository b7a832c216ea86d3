<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use Illuminate\Routing\Route as Way;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;

/** Whatever is sent to whatever address: never an answer of 500, nor a debug page. */
#[Group('long')]
final class RubbishTest extends FeatureCase
{
    private const NAMES = [
        'from',
        'to',
        'view',
        'layout',
        'rows',
        'page',
        'only',
        'at',
        'since',
        'root',
        'client',
        'part',
        'base',
        'number',
        'seen',
        'pick',
        'lines',
        'data',
        'data_seen',
        'publish',
        'publishing',
        'tab',
        'by',
        'title',
        'text',
        'name',
        'note',
        'choice',
        'answer',
        'open',
        'earlier',
        'email',
        'password',
        'role',
        'publishes',
        'drafts',
        'sort',
        'down',
        'find',
        'in',
        'without',
        'gone',
        'shown',
        'show',
        'a',
        'kept',
        'later',
        'file',
        'upload',
        'source',
        'field',
        'record',
        'values',
        'do',
        'back',
        'x',
        'y',
        'filters',
        'width',
        'start',
        'end',
        'row',
        'column',
        'type',
        'types',
        'keep',
        'content',
        'edits',
        'kind',
        'shelf',
        'format',
        'measure',
        'of',
        'step',
        'pins',
        'follow',
        'history',
        'place',
        'picture',
        'proposals',
        'proposal',
        'word',
        'answer',
        'token',
        'mailed',
        'words',
        'expression',
        'choices',
        'until',
        'day',
        'cells',
        'whose',
    ];

    /** @return array<string, array{mixed}> */
    public static function rubbish(): array
    {
        return [
            'a list' => [['x', ['y' => 'z']]],
            'many digits' => ['99999999999999999999'],
            'a word' => ['abc'],
            'broken UTF-8' => ["\xff\xfe\x00"],
            'a hash of nothing' => [str_repeat('ab', 20)],
            'a fraction' => ['1.5e308'],
            'deep' => [['a' => ['b' => ['c' => ['d' => ['e' => 'f']]]]]],
        ];
    }

    #[DataProvider('rubbish')]
    public function test_no_request_is_answered_with_a_500(mixed $rubbish): void
    {
        $ines = $this->person('Ines Oduya');
        $shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        $make = $this->app->make(MakeItem::class);
        $items = ['document' => $this->document($shelf, $ines, 'one', 'two')];
        // Lists and words meet every kind, the rest two of them: it takes its time.
        foreach (
            in_array($rubbish, [['x', ['y' => 'z']], 'abc'], true) ? ['page', 'spreadsheet', 'form', 'report', 'dataset'] : ['dataset'] as $kind
        ) {
            $items[$kind] = $make->handle($shelf, $ines, $kind, ucfirst($kind));
        }
        $this->actingAs($ines);
        $body = array_fill_keys(self::NAMES, $rubbish);
        $failed = [];
        foreach (Route::getRoutes()->getRoutes() as $way) {
            if (
                ! str_starts_with((string) $way->getActionName(), 'App\\')
                || in_array($way->getName(), ['sign-out', 'shelf.settings'], true)
            ) {
                continue;
            }
            foreach (str_contains($way->uri(), '{item}') ? $items : ['' => null] as $kind => $item) {
                foreach ($kind === '' || $kind === 'document' ? [false, true] : [false] as $far) {
                    if (! self::isOfTheDay("{$way->uri()} {$kind}")) {
                        continue;
                    }
                    $at = $this->address($way, $shelf->key, $item, $far);
                    foreach (array_diff($way->methods(), ['HEAD']) as $method) {
                        $method === 'GET' || $this->be(User::query()->firstOrFail());
                        $response = $method === 'GET' ? $this->get($at.'?'.http_build_query($body)) : $this->call($method, $at, $body);
                        if ($response->getStatusCode() >= 500) {
                            $why = $response->exception;
                            $failed[
                                $why === null
                                    ? (string) $response->getStatusCode()
                                    : $why::class
                                        .': '
                                        .mb_scrub(mb_substr($why->getMessage(), 0, 120))
                                        .' '
                                        .basename($why->getFile())
                                        .':'
                                        .$why->getLine()
                            ] = "{$method} {$way->uri()} {$kind}";
                        }
                    }
                }
            }
        }
        self::assertSame([], $failed);
    }

    /** Half of the addresses a day; all of them with EVERY=1. */
    private static function isOfTheDay(string $address): bool
    {
        return (string) getenv('EVERY') !== '' || crc32($address) % 2 === intdiv(time(), 86_400) % 2;
    }

    private function address(Way $way, string $shelf, ?Item $item, bool $far): string
    {
        return '/'
            .preg_replace_callback(
                '/\{(\w+)\??\}/',
                fn (array $found): string => match ($found[1]) {
                    'item' => (string) $item?->key,
                    'shelf' => $shelf,
                    'number', 'to' => $far ? '99999999999999999999' : '1',
                    'format' => 'html',
                    'chunk' => str_repeat('a', 40),
                    'stamp' => '20260101000000',
                    'token' => str_repeat('t', 40),
                    'membership', 'publishing', 'proposal', 'held', 'invitation', 'person' => $far ? '99999999999999999999' : '1',
                    'address' => 'nowhere',
                    default => $far ? '%C3%28' : 'abc',
                },
                $way->uri(),
            );
    }
}
