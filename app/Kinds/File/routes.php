<?php

declare(strict_types=1);

use App\Kinds\File\ContentController;
use App\Kinds\File\MakeIntoController;
use App\Kinds\File\SliceController;
use App\Kinds\File\UploadController;
use Illuminate\Support\Facades\Route;

Route::prefix('/shelves/{shelf}')->group(function (): void {
    Route::get('/file', [UploadController::class, 'create'])->name('file.new');
    Route::post('/file', [UploadController::class, 'send'])->name('file.send');
    Route::get('/files', [UploadController::class, 'named'])->name('file.named');
    Route::post('/uploads', [SliceController::class, 'begin'])->name('upload.begin');
});
Route::put('/uploads/{upload}', [SliceController::class, 'slice'])->name('upload');
Route::post('/uploads/{upload}', [SliceController::class, 'finish'])->name('upload.finish');
Route::delete('/uploads/{upload}', [SliceController::class, 'destroy'])->name('upload.stop');
Route::prefix('/items/{item}')->group(function (): void {
    Route::post('/into', MakeIntoController::class)->name('file.into');
});
Route::prefix('/items/{item}/versions/{number}')->where(['number' => '\d{1,9}'])->group(function (): void {
    Route::get('/content', ContentController::class)->name('file.content');
});
