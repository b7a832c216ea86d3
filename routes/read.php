<?php

declare(strict_types=1);

use App\Http\Proposing\VisitorController;
use App\Http\Publishing\MementoController;
use App\Http\Publishing\ReadController;
use App\Http\Watching\FeedController;
use App\Http\Watching\NoMailsController;
use Illuminate\Support\Facades\Route;

/* What programs follow for somebody: the key stands for them, and can be taken back. */
Route::prefix('/feeds/{key}')
    ->where(['key' => '[A-Za-z0-9]{40}'])
    ->group(function (): void {
        Route::get('/items/{item}', [FeedController::class, 'item'])->name('feed.item');
        Route::get('/shelves/{shelf}', [FeedController::class, 'shelf'])->name('feed.shelf');
    });
Route::match(['get', 'post'], '/mails/none/{person}', NoMailsController::class)
    ->middleware('signed:relative')
    ->where('person', '\d{1,9}')
    ->name('mails.none');

/* Proposing by a link: no session, no cookie. */
Route::prefix('/propose/{token}')->where(['token' => '[A-Za-z0-9]{40}'])->group(function (): void {
    Route::get('/', [VisitorController::class, 'show'])->name('visitor');
    Route::post('/', [VisitorController::class, 'store'])->name('visitor.send');
});

/* What the public reads: no session, no cookie. */
Route::prefix('/read/{address}')
    ->where(['address' => '[a-z0-9-]+', 'stamp' => '\d{14}', 'chunk' => '[0-9a-f]{40}', 'token' => '[A-Za-z0-9]{40}'])
    ->group(function (): void {
        Route::get('/', [ReadController::class, 'show'])->name('read');
        // What only one kind answers stands in its room.
        foreach (glob(app_path('Kinds/*/read.php')) ?: [] as $routes) {
            require $routes;
        }
        Route::get('/feed', [FeedController::class, 'address'])->name('read.feed');
        Route::get('/timemap', [MementoController::class, 'index'])->name('read.timemap');
        Route::get('/pictures/{chunk}', [ReadController::class, 'picture'])->name('read.picture');
        Route::get('/{stamp}', [MementoController::class, 'show'])->name('read.memento');
    });
