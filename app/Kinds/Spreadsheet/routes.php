<?php

declare(strict_types=1);

use App\Kinds\Spreadsheet\CausesController;
use App\Kinds\Spreadsheet\CellController;
use App\Kinds\Spreadsheet\LinesController;
use Illuminate\Support\Facades\Route;

Route::prefix('/items/{item}')->group(function (): void {
    Route::get('/history/lines', LinesController::class)->name('lines');
    Route::get('/cells/{row}/{column}', [CellController::class, 'show'])->name('cell');
    Route::post('/cells/{row}/{column}/versions/{number}', [CellController::class, 'store'])
        ->where('number', '\d{1,9}')
        ->name('cell.restore');
    Route::get('/causes/{row}/{column}', CausesController::class)->name('causes');
});
