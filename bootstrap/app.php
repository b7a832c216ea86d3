<?php

declare(strict_types=1);

use App\Http\Middleware\AtItsAddress;
use App\Http\ReceivedFile;
use App\Models\Item;
use App\Store\Checks;
use App\Store\States;
use App\View\Damaged;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Store\ChunkMissing;
use App\Http\Middleware\ForWhom;
use App\Http\Middleware\PlainFields;
use App\Http\Middleware\RequestId;
use App\Http\Middleware\SecondAsked;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\StartSession;
use App\Http\Middleware\StillHere;
use App\Http\Middleware\WorkedBeside;

use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession as StartsSessions;
use Illuminate\Routing\Exceptions\InvalidSignatureException;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Stringable;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpKernel\Exception\HttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', health: '/up', then: fn () => Route::middleware('throttle:read')->group(__DIR__.'/../routes/read.php'))
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->append([RequestId::class, SecurityHeaders::class, AtItsAddress::class]);
        $middleware->web(replace: [StartsSessions::class => StartSession::class]);
        $middleware->appendToGroup('web', [ForWhom::class, StillHere::class, SecondAsked::class]);
        $middleware->prependToGroup('web', PlainFields::class);
        // What somebody writes in a field of a part is kept as it is, and nothing is something to write.
        $middleware->trimStrings(except: ['parts.*']);
        $middleware->convertEmptyStringsToNull(except: [fn (Request $request) => is_array(current((array) $request->input('parts')))]);
        // Who chose a new password has ended all other sessions.
        $middleware->authenticateSessions();
        $middleware->alias(['beside' => WorkedBeside::class]);
        $middleware->redirectGuestsTo(fn () => route('sign-in'));
    })
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->command('attic:lives')->dailyAt('02:30')->withoutOverlapping(300);
        $schedule->command('attic:keep')->dailyAt('03:00')->withoutOverlapping(120);
        $schedule->command('attic:tidy')->dailyAt('03:10')->withoutOverlapping(120);
        $schedule->command('attic:digest --morning')->hourlyAt(30)->withoutOverlapping(50);
        $schedule->command('attic:digest --soon')->everyFifteenMinutes()->withoutOverlapping(60);
        foreach (['attic:backup' => $schedule->command('attic:backup')->dailyAt('03:40'), 'attic:verify' => $schedule->command('attic:verify')->weeklyOn(0, '04:30')] as $name => $event) {
            $event->withoutOverlapping(120)->onSuccessWithOutput(fn (Stringable $output) => Checks::note($name, $output, true))->onFailureWithOutput(fn (Stringable $output) => Checks::note($name, $output, false));
        }
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request) => $request->expectsJson() || $request->is('items/*/state'));
        // Somebody else writes: it is worth asking again, and says when.
        $exceptions->render(fn (PDOException $e, Request $request) => ! str_contains($e->getMessage(), 'database is locked') ? null
            : ($request->expectsJson() ? response()->json(['message' => __('problems.busy')], 503, ['Retry-After' => '3']) : response()->view('errors.503', ['said' => __('problems.busy')], 503, ['Retry-After' => '3'])));
        // A wrong query leads to the page without it.
        $exceptions->render(fn (ValidationException $e, Request $request) => $request->isMethod('get') && ! $request->expectsJson() && ! $request->is('items/*/state')
            ? ($request->query->count() > 0 ? redirect()->to($request->url()) : response()->view('errors.404', ['exception' => new HttpException(404)], 404))
            : null);
        // A text of which only its writer knows how its letters are written: they are asked, and the same request goes on with the answer.
        $exceptions->dontReport(UnknownEncoding::class)->render(fn (UnknownEncoding $e, Request $request) => response()->view('encoding', ReceivedFile::question($request, $e)));
        $exceptions->render(fn (InvalidSignatureException $e) => response()->view('errors.403', ['exception' => new HttpException(403, (string) __('sign-in.expired'))], 403));
        $exceptions->render(function (ChunkMissing $e, Request $request) {
            $item = $request->route('item');
            $damaged = $item instanceof Item && $item->sight === null && Gate::allows('view', $item) ? new Damaged($item, app(States::class), (int) ($request->route('number') ?? $request->query('from', (string) $item->head))) : null;

            return $request->expectsJson() ? response()->json(['message' => __('problems.damaged')], 500) : response()->view('errors.damaged', ['damaged' => $damaged], 500);
        });
        $exceptions->render(fn (PostTooLargeException $e, Request $request) => $request->expectsJson()
            ? response()->json(['message' => __('problems.too_big', ['max' => '4'])], 413)
            : null);
    })->create();
