<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\ImmediateConnection;
use App\Database\PresenceFile;
use App\Jobs\Progress;
use App\Mail\OutboxTransport;
use App\Models\Rooms;
use App\Saving\Rules;
use App\Store\Chunks\SqliteChunkStore;
use App\View\OtherItems;
use App\Words\Sentences;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Connection;
use Illuminate\Database\DatabaseManager;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Foundation\Events\DiagnosingHealth;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\URL;
use Illuminate\Support\ServiceProvider;
use Illuminate\Translation\Translator;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Store\ChunkStore;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // Longer than any job may take, so that no second worker begins it once more.
        config(['queue.connections.database.retry_after' => 700]);
        $this->app->extend('translator', function (Translator $own, Application $app): Sentences {
            $sentences = new Sentences($app->make('translation.loader'), $own->getLocale());
            $sentences->setFallback($own->getFallback());

            return $sentences;
        });
        $this->app->singleton(Progress::class);
        foreach (Kinds::all() as $kind) {
            array_map($this->app->scoped(...), Rooms::named($kind->name(), Rules::class)::SCOPED);
        }
        $this->app->scoped(OtherItems::class);
        $this->app->afterResolving(
            'db',
            fn (DatabaseManager $databases, Application $app) => $databases->extend(
                'presence',
                fn (array $config, string $name) => PresenceFile::connect($app->make('db.factory'), $config, $name),
            ),
        );
        Connection::resolverFor(
            'sqlite',
            fn ($pdo, $database, $prefix, $config) => new ImmediateConnection($pdo, $database, $prefix, $config),
        );
        $this->app->scoped(SqliteChunkStore::class, fn () => new SqliteChunkStore(DB::connection()));
        $this->app->scoped(ChunkStore::class, fn (Application $app) => $app->make(SqliteChunkStore::class));
    }

    public function boot(): void
    {
        // Every address is made from the place's own, whatever a request says it came to.
        URL::useOrigin((string) config('app.url'));
        URL::forceScheme((string) parse_url((string) config('app.url'), PHP_URL_SCHEME));
        Mail::extend('outbox', fn () => new OutboxTransport);
        TrustProxies::at((array) config('attic.proxies'));
        Date::use(CarbonImmutable::class);
        Model::shouldBeStrict();
        Model::unguard(false);
        // A place that can't write is not well: a row is written and taken back.
        Event::listen(DiagnosingHealth::class, function (): void {
            $pdo = DB::connection()->getPdo();
            $pdo->exec('BEGIN IMMEDIATE; UPDATE migrations SET batch = batch; ROLLBACK');
            // What is queued is worked within minutes, or nobody works it.
            DB::table('jobs')
                ->where('available_at', '<', now()->subMinutes(15)->getTimestamp())
                ->exists() && throw new \RuntimeException('Nobody works what is queued');
            is_writable(storage_path('framework')) || throw new \RuntimeException('The storage can not be written');
        });
        RateLimiter::for('sign-in', fn (Request $request) => [
            Limit::perMinute(6)->by('address:'.$request->ip().'|'.self::account($request)),
            // Whoever tries from many places tries one account.
            ...(self::account($request) === '' ? [] : [Limit::perHour(60)->by('account:'.self::account($request))]),
            Limit::perMinute(60)->by('address:'.$request->ip()),
        ]);
        // How often codes of one account are tried is counted with these.
        RateLimiter::for('second', fn (Request $request) => Limit::perMinute(60)->by('second:'.$request->ip()));
        RateLimiter::for('read', fn (Request $request) => Limit::perMinute(600)->by((string) $request->ip()));
        RateLimiter::for('work', fn (Request $request) => Limit::perMinute(1200)->by((string) ($request->user()->id ?? $request->ip())));
    }

    private static function account(Request $request): string
    {
        $email = $request->input('email');

        return is_string($email) ? sha1(mb_strtolower(trim($email))) : '';
    }
}
