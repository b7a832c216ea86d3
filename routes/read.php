<?php

declare(strict_types=1);

use App\Http\Controllers\ReadController;
use App\Kinds\Form\OwnAnswersController;
use App\Kinds\Form\PublicAnswerController;
use Illuminate\Support\Facades\Route;

/* What the public reads: no session, no cookie. */
Route::prefix('/read/{address}')->where(['address' => '[a-z0-9-]+', 'stamp' => '\d{14}', 'chunk' => '[0-9a-f]{40}', 'token' => '[A-Za-z0-9]{40}'])->group(function (): void {
    Route::get('/', [ReadController::class, 'show'])->name('read');
    Route::post('/', [PublicAnswerController::class, 'send'])->name('read.send');
    Route::get('/mine/{token}', [OwnAnswersController::class, 'mine'])->name('read.mine');
    Route::post('/mine/{token}', [OwnAnswersController::class, 'change'])->name('read.mine.send');
    Route::post('/mine/{token}/settle', [OwnAnswersController::class, 'settle'])->name('read.mine.settle');
    Route::get('/timemap', [ReadController::class, 'timeMap'])->name('read.timemap');
    Route::get('/pictures/{chunk}', [ReadController::class, 'picture'])->name('read.picture');
    Route::get('/{stamp}', [ReadController::class, 'memento'])->name('read.memento');
});
