<?php

declare(strict_types=1);

use App\Kinds\Dataset\DatasetController;
use App\Kinds\Dataset\Fields\FieldController;
use App\Kinds\Dataset\Fields\RecordController;
use App\Kinds\Dataset\Fields\RemoveFieldController;
use App\Kinds\Dataset\Following\FollowController;
use App\Models\Item;
use Illuminate\Support\Facades\Route;

Route::prefix('/shelves/{shelf}')->group(function (): void {
    Route::get('/datasets/new', [DatasetController::class, 'create'])->name('dataset.new');
    Route::post('/datasets/look', [DatasetController::class, 'look'])->middleware('beside:data')->name('dataset.look');
    Route::post('/datasets', [DatasetController::class, 'store'])->middleware('beside:data')->name('dataset.store');
});
Route::prefix('/items/{item}')->group(function (): void {
    Route::group([Item::LINES => true], function (): void {
        Route::get('/fields/{field}', [FieldController::class, 'show'])->name('field.edit');
        Route::put('/fields/{field}', [FieldController::class, 'update'])->name('field.save');
        Route::get('/fields/{field}/remove', [RemoveFieldController::class, 'show'])->name('field.hanging');
        Route::delete('/fields/{field}', [RemoveFieldController::class, 'destroy'])->name('field.remove');
        Route::get('/records/{record}', [RecordController::class, 'edit'])->name('record.edit');
        Route::put('/records/{record}', [RecordController::class, 'update'])->name('record.save');
        Route::delete('/records/{record}', [RecordController::class, 'destroy'])->name('record.remove');
    });
    Route::put('/data/source', FollowController::class)->name('dataset.follow');
});
