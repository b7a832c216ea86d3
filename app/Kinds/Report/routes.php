<?php

declare(strict_types=1);

use App\Kinds\Report\PinnedDataController;
use App\Kinds\Report\ReportController;
use App\Kinds\Report\WidgetController;
use App\Models\Item;
use Illuminate\Support\Facades\Route;

Route::prefix('/items/{item}')->group(function (): void {
    Route::group([Item::LINES => true], function (): void {
        Route::post('/report', [ReportController::class, 'edit'])->name('report.edit');
        Route::get('/report', [ReportController::class, 'show'])->name('report.show');
        Route::get('/report/{part}/settings', [WidgetController::class, 'settings'])->name('report.settings');
        Route::get('/report/{part}/figures', [WidgetController::class, 'figures'])->name('report.figures');
    });
    Route::put('/report/pins', PinnedDataController::class)->name('report.pin');
});
