<?php

/*
 * What every page of the demo answers to four people, to be held against what it answered before a change that is to change nothing.
 *
 *   php tests/answers.php > before.txt        a line an address: who, status, what it is made of, address
 *   php tests/answers.php --against before.txt   what differs; exits with 1 if anything does
 *   php tests/answers.php --sound                whether any is an error of the server, asks the database while it is drawn, leads people
 *   to where they may not go, or offers what is then refused; of items, half of them a day to one person and an eighth to each of the
 *   others, or with EVERY=1 all and a fourth
 *   php tests/answers.php --show 'Ines /items/…'   one of them whole
 */

declare(strict_types=1);

use App\Database\DatabaseFile;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Console\Kernel as Console;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

require __DIR__.'/../vendor/autoload.php';
$database = (string) tempnam(sys_get_temp_dir(), 'attic-answers');
foreach (
    [
        'DB_DATABASE' => $database,
        'APP_ENV' => 'testing',
        'SESSION_DRIVER' => 'array',
        'CACHE_STORE' => 'array',
        'QUEUE_CONNECTION' => 'sync',
        'APP_KEY' => 'base64:'.base64_encode(str_repeat('k', 32)),
    ] as $name => $value
) {
    putenv("{$name}={$value}");
    $_ENV[$name] = $_SERVER[$name] = $value;
}
$app = require __DIR__.'/../bootstrap/app.php';
$app->make(Console::class)->bootstrap();
/** @var array<string, string> $options */
$options = getopt('', ['against:', 'show:', 'sound']);
$ready = (string) getenv('ATTIC_READY_DEMO');
if ($ready === '') {
    DatabaseFile::make($database);
    Artisan::call('migrate', ['--force' => true]);
    mt_srand(1);
    Artisan::call('attic:demo', ['--until' => '2026-11-28']);
} else {
    copy($ready, $database);
}
// Keys are made up at random; by their order they are the same every time.
foreach (['items' => 'i', 'shelves' => 's'] as $table => $letter) {
    foreach (DB::table($table)->orderBy('id')->pluck('key', 'id') as $id => $key) {
        $table === 'items' && Item::query()->find($id)?->kind === 'dataset'
            ? null
            : DB::table($table)
                ->where('id', $id)
                ->update(['key' => sprintf('%skey%08d', $letter, $id)]);
    }
}
DB::table('items')->whereNotNull('token')->update(['token' => DB::raw("'token' || id")]);
Date::setTestNow($ready === '' ? CarbonImmutable::parse('2026-11-28 12:00:00') : CarbonImmutable::now());

/** @return list<string> what each parameter of an address may be */
$values = static function (string $name, ?Item $item): array {
    $root = $item === null ? [] : app(States::class)->tops($item->root);

    return match ($name) {
        'number' => $item === null ? [] : array_values(array_unique(['1', (string) $item->head])),
        'to' => $item === null ? [] : [(string) $item->head],
        'part', 'field', 'record', 'row' => array_slice(array_map(fn ($part) => $part->id, $root), 0, 2),
        'column' => ['nothing'],
        'format' => ['json', 'csv', 'xlsx', 'md', 'html'],
        default => [],
    };
};
$addresses = [];
foreach (Route::getRoutes()->getRoutes() as $route) {
    if (! in_array('GET', $route->methods(), true)) {
        continue;
    }
    $names = $route->parameterNames();
    $owners = match (true) {
        in_array('item', $names, true) => Item::query()
            ->whereIn(
                'id',
                Item::query()
                    ->whereNull('form_id')
                    ->pluck('id')
                    ->concat(Item::query()->whereNotNull('form_id')->limit(2)->pluck('id')),
            )
            ->orderBy('id')
            ->get()
            ->all(),
        in_array('shelf', $names, true) => Shelf::query()->orderBy('id')->get()->all(),
        in_array('address', $names, true) => Item::query()->whereNotNull('address')->orderBy('id')->get()->all(),
        $names === [] => [null],
        default => [],
    };
    foreach ($owners as $owner) {
        $uris = [$route->uri()];
        foreach ($names as $name) {
            $given = match ($name) {
                'item', 'shelf' => [(string) $owner?->key],
                'address' => [$owner instanceof Item ? (string) $owner->address : ''],
                default => $values($name, $owner instanceof Item ? $owner : null),
            };
            $uris = array_merge(
                [],
                ...array_map(
                    fn (string $uri): array => array_map(
                        fn (string $value) => str_replace(["{{$name}}", "{{$name}?}"], $value, $uri),
                        $given,
                    ),
                    $uris,
                ),
            );
        }
        array_push($addresses, ...$uris);
    }
    if ($route->getName() === 'history') {
        foreach (array_filter($owners, fn ($owner) => $owner instanceof Item) as $item) {
            foreach (['view=was', 'view=who', 'layout=side', 'layout=source', 'rows=all', 'show=formulas'] as $how) {
                $addresses[] = "items/{$item->key}/history?from=1&to={$item->head}&{$how}";
            }
        }
    }
}
/** What a page says by itself: without seals, tokens, assets, and white space beside its tags. */
$plain = static fn (string $body): string => (string) preg_replace(
    [
        '/\s+/',
        '/ (?=[<>])|(?<=>) /',
        '/name="_token" value="[^"]*"/',
        '~/build/[^"]*~',
        '/(value|data-key|content|data-person)="[^"]{150,}"/',
        '/"ticket":"[^"]*"/',
        '/eyJpdiI6[\w=+\/]+/',
        '/(?<=thread-|thread=|data-slip=")[a-z0-9]{12}/',
        '/[\w-]{40}(?=")/',
    ],
    [' ', '', '', '', '', '', '', '', ''],
    $body,
);
$ask = static function (?string $who, Request $request) use ($app): array {
    $app->forgetScopedInstances();
    Auth::forgetGuards();
    Cache::flush();
    $who === null ? null : Auth::setUser(User::query()->where('name', 'like', "{$who} %")->firstOrFail());
    $response = $app->make(Kernel::class)->handle($request);
    ob_start();
    $response->sendContent();

    return [
        $response->getStatusCode(),
        (string) ob_get_clean(),
        (string) $response->headers->get('Content-Type'),
        isset($response->exception) ? (string) $response->exception : '',
    ];
};
/**
 * @var array<string, array{string|null, string, array<string, string>}> $offered whose page, its address, and what a form on it would send:
 *     one of those that are alike, in items of one kind that stand, and that were deleted
 */
$offered = [];
$forms = require __DIR__.'/answers/forms.php';
$queries = isset($options['sound']) ? (require __DIR__.'/answers/queries.php')() : new ArrayObject;
$unread = require __DIR__.'/answers/unread.php';
$answer = static function (?string $who, string $address) use ($ask, $plain, $forms, &$offered): array {
    [$status, $body, $type, $why] = $ask($who, Request::create(config('app.url').'/'.ltrim($address, '/')));
    foreach ($status === 200 && str_starts_with($type, 'text/html') && str_contains($body, '<form') ? $forms($body) : [] as $form) {
        $item = preg_match('~/items/([^/]+)~', $form['action'], $key) === 1 ? Item::query()->where('key', $key[1])->first() : null;
        $alike = preg_replace(['~/(items|shelves)/[^/]+~', '~/\d+~', '/=[^&]*/'], ['/$1', '', ''], "{$form['action']} {$form['fields']}");
        $offered["{$who} {$item?->kind} ".($item?->lostWith() === null ? '' : 'deleted ').$alike] ??= [$who, $address, $form];
    }

    return [$status, str_starts_with($type, 'text/') || str_contains($type, 'json') ? $plain($body) : (string) strlen($body), $why];
};
/**
 * Presses a button, and takes back what came of it. A form that puts something where it is (PUT) shows the same afterwards: nothing was
 * changed in it (RFC 9110, 9.2.2).
 */
$press = static function (?string $who, string $from, array $form) use ($ask, $forms): array {
    parse_str($form['fields'], $fields);
    DB::beginTransaction();
    try {
        [$status, , , $why] = $ask(
            $who,
            Request::create($form['action'], 'POST', $fields, server: ['HTTP_REFERER' => config('app.url').'/']),
        );
        $body = $status < 400 && ($fields['_method'] ?? '') === 'put'
            ? $ask($who, Request::create(config('app.url').'/'.ltrim($from, '/')))[1]
            : '';
        $then = array_values(
            array_filter(
                $forms($body),
                fn (array $other) => [$other['action'], $other['button']] === [$form['action'], $form['button']],
            ),
        )[0]['fields'] ?? $form['fields'];

        return [$status, $why, $then];
    } finally {
        while (DB::transactionLevel() > 0) {
            DB::rollBack();
        }
    }
};
if (isset($options['show'])) {
    [$who, $address] = explode(' ', (string) $options['show'], 2);
    [$status, $body, $why] = $answer($who === '-' ? null : $who, ltrim($address, '/'));
    exit("{$status}\n{$body}\n{$why}\n");
}
$lines = $leads = $menus = [];
$share = getenv('EVERY') ? [1, 4, 4, 4] : [2, 8, 8, 8];
// Pages of one item follow one another: of each, another one a day.
$today = intdiv((int) $_SERVER['REQUEST_TIME'], 86400);
foreach (['Ines', 'Tobi', 'Rafi', null] as $place => $who) {
    foreach (array_values(array_unique($addresses)) as $nth => $address) {
        $queries->exchangeArray([]);
        if (isset($options['sound']) && str_starts_with($address, 'items/') && $nth % $share[$place] !== ($today + $place) % $share[$place]) {
            continue;
        }
        [$status, $body] = $answer($who, $address);
        $wrong = $queries[0] ?? (isset($options['sound']) && str_starts_with($body, '<') ? $unread($body, true)[1] ?? null : null);
        $lines[($who ?? '-')." /{$address}"] = $wrong === null ? "{$status} ".substr(sha1($body), 0, 12) : "500 {$wrong}";
        if (isset($options['sound']) && $status === 200 && preg_match('~ data-histories="([^"]+)"~', $body, $histories) === 1) {
            // What the menu of a part leads to, of a few parts of each page.
            preg_match_all('~ data-(?:part|cell)="([\w-]+)(/[\w-]+)?"~', $body, $parts, PREG_SET_ORDER);
            // What is only read from something leads to that.
            $parts = preg_match('~ data-read-of="([^"]+)"~', $body, $source) === 1 ? [$source] : $parts;
            $cells = str_contains($body, ' data-cells="') ? (string) preg_replace('~parts$~', 'cells', $histories[1]) : null;
            foreach (array_slice($parts, 0, 300, true) as $nth => $part) {
                $nth % 60 !== 0
                    || ($menus[$who ?? '-'][
                        isset($part[2]) && $cells !== null ? "{$cells}/{$part[1]}{$part[2]}" : "{$histories[1]}/{$part[1]}"
                    ] ??= $address);
            }
        }
        if (
            isset($options['sound'])
            && $status === 200
            && preg_match_all('~<a [^>]*href="'.preg_quote(config('app.url'), '~').'/(([^"#?]*)[^"#]*)~', $body, $found) > 0
        ) {
            $leads[$who ?? '-'] = ($leads[$who ?? '-'] ?? [])
            + array_map(fn (string $to): array => [html_entity_decode($to), $address], array_combine($found[2], $found[1]));
        }
    }
}
// Whatever somebody is led to is there for them.
$known = array_fill_keys($addresses, true);
foreach ($leads as $who => $links) {
    foreach (array_intersect_key($links, $known) as [$to, $from]) {
        $lines["{$who} /{$to}"] ??= (string) $answer($who === '-' ? null : $who, $to)[0];
        if (in_array((int) $lines["{$who} /{$to}"], [403, 404], true)) {
            $lines["{$who} /{$to}"] = "500 is led there by /{$from}";
        }
    }
}
foreach ($menus as $who => $links) {
    foreach ($links as $to => $from) {
        $status = $answer($who === '-' ? null : $who, (string) $to)[0];
        $lines["{$who} {$to} (menu)"] = $status < 400 ? (string) $status : "500 is {$status}, in the menu of a part on /{$from}";
    }
}
// Whatever is offered to somebody may be done by them.
foreach (isset($options['sound']) ? $offered : [] as [$who, $from, $form]) {
    [$status, $why, $then] = $press($who, $from, $form);
    $lines[($who ?? '-')." “{$form['button']}” {$form['action']}"] = match (true) {
        in_array($status, [403, 404, 405], true) || $status >= 500 => "500 is {$status}, offered on /{$from}: {$form['fields']} "
            .strtok($why, "\n"),
        $then !== $form['fields'] => "500 shows on /{$from} what was not written: {$then}, not {$form['fields']}",
        default => (string) $status,
    };
}
ksort($lines);
if (isset($options['sound'])) {
    $broken = array_filter($lines, fn (string $line) => (int) $line >= 500);
    foreach ($broken as $at => $line) {
        echo "{$at}: {$line}\n";
    }
    echo count($lines).' answers, '.count($broken)." of them an error of the server or a dead end.\n";
    exit($broken === [] ? 0 : 1);
}
if (! isset($options['against'])) {
    foreach ($lines as $at => $line) {
        echo "{$line} {$at}\n";
    }
    exit(0);
}
$before = [];
foreach (file((string) $options['against'], FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    [$status, $hash, $at] = explode(' ', $line, 3);
    $before[$at] = "{$status} {$hash}";
}
$differ = 0;
foreach ($before + $lines as $at => $unused) {
    if (($before[$at] ?? null) !== ($lines[$at] ?? null)) {
        $differ++;
        echo "{$at}: ".($before[$at] ?? 'was not there').' became '.($lines[$at] ?? 'nothing')."\n";
    }
}
echo count($lines)." answers, {$differ} differ.\n";
exit($differ === 0 ? 0 : 1);
