<?php

declare(strict_types=1);

use App\Kinds\Form\AnswerController;
use App\Kinds\Form\FlowController;
use App\Kinds\Form\TryFormController;
use App\Models\Item;
use Illuminate\Support\Facades\Route;

Route::prefix('/items/{item}')->group(function (): void {
    Route::group([Item::LINES => true], function (): void {
        Route::get('/flow', FlowController::class)->name('item.flow');
    });
    Route::get('/answer', [AnswerController::class, 'show'])->name('answer');
    Route::post('/answer', [AnswerController::class, 'store'])->name('answer.store');
});
Route::prefix('/items/{item}/versions/{number}')->where(['number' => '\d{1,9}'])->group(function (): void {
    Route::group([Item::LINES => true], fn () => Route::match(['get', 'post'], '/try', TryFormController::class)->name('try'));
});
