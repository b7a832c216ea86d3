<?php

declare(strict_types=1);

use App\Kinds\Form\Own\OwnAnswersController;
use App\Kinds\Form\Own\SettleOwnController;
use App\Kinds\Form\PublicAnswerController;
use Illuminate\Support\Facades\Route;

Route::post('/', [PublicAnswerController::class, 'send'])->name('read.send');
Route::get('/mine/{token}', [OwnAnswersController::class, 'show'])->name('read.mine');
Route::post('/mine/{token}', [OwnAnswersController::class, 'update'])->name('read.mine.send');
Route::post('/mine/{token}/settle', SettleOwnController::class)->name('read.mine.settle');
