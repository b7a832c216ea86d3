<?php

declare(strict_types=1);

namespace App\Providers;

use App\Database\ImmediateConnection;
use App\Store\DatasetColumns;
use App\Store\SqliteChunkStore;
use App\View\FieldWords;
use Carbon\CarbonImmutable;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\ServiceProvider;
use MistyAttic\Core\Store\ChunkStore;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(FieldWords::class);
        $this->app->scoped(DatasetColumns::class);
        Connection::resolverFor('sqlite', fn ($pdo, $database, $prefix, $config) => new ImmediateConnection($pdo, $database, $prefix, $config));
        $this->app->scoped(ChunkStore::class, fn () => new SqliteChunkStore(DB::connection()));
    }

    public function boot(): void
    {
        Date::use(CarbonImmutable::class);
        Model::shouldBeStrict();
        Model::unguard(false);
        RateLimiter::for('sign-in', fn (Request $request) => [
            Limit::perMinute(6)->by('address:'.$request->ip().'|'.mb_strtolower($request->string('email')->value())),
            Limit::perMinute(60)->by('address:'.$request->ip()),
        ]);
        RateLimiter::for('read', fn (Request $request) => Limit::perMinute(600)->by((string) $request->ip()));
        RateLimiter::for('work', fn (Request $request) => Limit::perMinute(1200)->by((string) ($request->user()->id ?? $request->ip())));
    }
}
