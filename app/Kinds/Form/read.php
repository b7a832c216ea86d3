<?php

declare(strict_types=1);

use App\Kinds\Form\OwnAnswersController;
use App\Kinds\Form\PublicAnswerController;
use Illuminate\Support\Facades\Route;

Route::post('/', [PublicAnswerController::class, 'send'])->name('read.send');
Route::get('/mine/{token}', [OwnAnswersController::class, 'mine'])->name('read.mine');
Route::post('/mine/{token}', [OwnAnswersController::class, 'change'])->name('read.mine.send');
Route::post('/mine/{token}/settle', [OwnAnswersController::class, 'settle'])->name('read.mine.settle');
