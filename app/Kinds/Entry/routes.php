<?php

declare(strict_types=1);

use App\Kinds\Entry\EntriesController;
use App\Kinds\Entry\EntryChangesController;
use App\Kinds\Entry\EntryController;
use App\Kinds\Entry\EntryProposalsController;
use Illuminate\Support\Facades\Route;

Route::prefix('/items/{item}')->group(function (): void {
    Route::get('/entries', [EntriesController::class, 'show'])->name('entries');
    Route::get('/entries/sums', [EntriesController::class, 'sums'])->name('entries.sums');
    Route::get('/entries/download/{format}', [EntriesController::class, 'download'])
        ->whereIn('format', ['csv', 'xlsx', 'json'])
        ->middleware('beside:copy')
        ->name('entries.download');
    Route::get('/entries/outbox', [EntriesController::class, 'outbox'])->name('entries.outbox');
    Route::get('/entries/changes', [EntryChangesController::class, 'show'])->name('entries.changes');
    Route::post('/entries/changes', [EntryChangesController::class, 'store'])->name('entries.changes.out');
    Route::get('/entries/waiting', [EntryProposalsController::class, 'show'])->name('entries.waiting');
    Route::post('/entries/waiting', [EntryProposalsController::class, 'store'])->name('entries.waiting.yes');
    Route::put('/entries/history', [EntriesController::class, 'keep'])->name('entries.keep');
    Route::put('/answers', [EntryController::class, 'update'])->name('entry.save');
    Route::delete('/entry', [EntryController::class, 'destroy'])->name('entry.delete');
    Route::put('/entry', [EntryController::class, 'restore'])->name('entry.undelete');
});
