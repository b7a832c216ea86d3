<?php

declare(strict_types=1);

use App\Http\Controllers\AddressController;
use App\Http\Controllers\ComparisonController;
use App\Http\Controllers\CopyController;
use App\Http\Controllers\DownloadController;
use App\Http\Controllers\FieldsController;
use App\Http\Controllers\FileController;
use App\Http\Controllers\HeldEditController;
use App\Http\Controllers\HistoryController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\ItemController;
use App\Http\Controllers\MilestoneController;
use App\Http\Controllers\OutboxController;
use App\Http\Controllers\PartController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\ProposalController;
use App\Http\Controllers\PublishingController;
use App\Http\Controllers\RestoreController;
use App\Http\Controllers\RibbonController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\SignInController;
use App\Http\Controllers\StateController;
use App\Http\Controllers\TakeBackController;
use App\Http\Controllers\TakeOutController;
use App\Http\Controllers\UnusualController;
use App\Http\Controllers\VersionListController;
use App\Http\Controllers\WorkController;
use App\Kinds\Dataset\DatasetController;
use App\Kinds\Dataset\FieldController;
use App\Kinds\Dataset\FollowController;
use App\Kinds\Dataset\RecordController;
use App\Kinds\Entry\EntriesController;
use App\Kinds\Entry\EntryChangesController;
use App\Kinds\Entry\EntryController;
use App\Kinds\Entry\EntryProposalsController;
use App\Kinds\File\ContentController;
use App\Kinds\File\MakeIntoController;
use App\Kinds\File\UploadController;
use App\Kinds\Form\AnswerController;
use App\Kinds\Form\FlowController;
use App\Kinds\Form\TryFormController;
use App\Kinds\Report\ReportController;
use App\Kinds\Spreadsheet\CellController;
use App\Kinds\Spreadsheet\LinesController;
use Illuminate\Support\Facades\Route;

Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
Route::get('/sign-in/state', [SignInController::class, 'state'])->name('sign-in.state');
Route::middleware('throttle:sign-in')->group(function (): void {
    Route::post('/sign-in', [SignInController::class, 'store'])->name('sign-in.store');
    Route::post('/sign-in/demo/{person}', [SignInController::class, 'demo'])->name('sign-in.demo');
});
Route::middleware('signed:relative')->group(function (): void {
    Route::get('/invitation/{invitation}', [InvitationController::class, 'show'])->where('invitation', '\d{1,9}')->name('invitation');
    Route::post('/invitation/{invitation}', [InvitationController::class, 'store'])->where('invitation', '\d{1,9}')->name('invitation.store');
});

Route::middleware(['auth', 'throttle:work'])->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy'])->name('sign-out');
    Route::get('/', [ShelfController::class, 'index'])->name('home');
    Route::post('/address', [AddressController::class, 'ask'])->middleware('throttle:sign-in')->name('address.ask');
    Route::get('/address/{person}', [AddressController::class, 'prove'])->middleware('signed:relative')->where('person', '\d{1,9}')->name('address.prove');
    Route::get('/outbox', OutboxController::class)->name('outbox');
    Route::get('/work/{task}', [WorkController::class, 'show'])->name('work');
    Route::get('/work/{task}/file', [WorkController::class, 'file'])->name('work.file');

    Route::prefix('/shelves/{shelf}')->group(function (): void {
        Route::get('/', [ShelfController::class, 'show'])->name('shelf');
        Route::post('/items', [ShelfController::class, 'store'])->middleware('beside:file')->name('shelf.make');
        Route::get('/datasets/new', [DatasetController::class, 'create'])->name('dataset.new');
        Route::post('/datasets/look', [DatasetController::class, 'look'])->middleware('beside:data')->name('dataset.look');
        Route::post('/datasets', [DatasetController::class, 'store'])->middleware('beside:data')->name('dataset.store');
        Route::get('/file', [UploadController::class, 'create'])->name('file.new');
        Route::post('/file', [UploadController::class, 'send'])->name('file.send');
        Route::get('/files', [UploadController::class, 'named'])->name('file.named');
        Route::post('/uploads', [UploadController::class, 'begin'])->name('upload.begin');
        Route::get('/people', [PeopleController::class, 'index'])->name('people');
        Route::post('/people', [PeopleController::class, 'store'])->name('people.store');
        Route::put('/settings', [PeopleController::class, 'settings'])->name('shelf.settings');
        Route::scopeBindings()->group(function (): void {
            Route::put('/people/{membership}', [PeopleController::class, 'update'])->name('people.update');
            Route::delete('/people/{membership}', [PeopleController::class, 'destroy'])->name('people.destroy');
            Route::delete('/invitations/{invitation}', [PeopleController::class, 'takeBack'])->name('people.take-back');
        });
    });

    Route::put('/uploads/{upload}', [UploadController::class, 'slice'])->name('upload');
    Route::post('/uploads/{upload}', [UploadController::class, 'finish'])->name('upload.finish');
    Route::delete('/uploads/{upload}', [UploadController::class, 'destroy'])->name('upload.stop');

    Route::prefix('/items/{item}')->group(function (): void {
        Route::get('/', [ItemController::class, 'show'])->name('item');
        Route::get('/menu', [ItemController::class, 'menu'])->name('item.menu');
        Route::get('/file', [FileController::class, 'show'])->name('item.file');
        Route::post('/file', [FileController::class, 'store'])->middleware('beside:file')->name('item.file.store');
        Route::put('/title', [ItemController::class, 'rename'])->name('item.rename');
        Route::get('/foot', [ItemController::class, 'foot'])->name('item.foot');
        Route::get('/notes', [ItemController::class, 'notes'])->name('item.notes');
        Route::get('/state', [StateController::class, 'show'])->name('state');
        Route::put('/state', [StateController::class, 'save'])->name('state.save');
        Route::put('/fields', FieldsController::class)->name('fields.save');
        Route::post('/aside', [StateController::class, 'aside'])->name('state.aside');
        Route::get('/live', [StateController::class, 'live'])->name('live');
        Route::post('/pictures', [PictureController::class, 'store'])->name('picture.store');
        Route::get('/pictures/{chunk}', [PictureController::class, 'show'])->name('picture')->where('chunk', '[0-9a-f]{40}');
        Route::get('/held/{held}', [HeldEditController::class, 'show'])->name('held');
        Route::put('/held/{held}', [HeldEditController::class, 'update'])->name('held.settle');

        Route::get('/flow', FlowController::class)->name('item.flow');
        Route::get('/answer', [AnswerController::class, 'show'])->name('answer');
        Route::post('/answer', [AnswerController::class, 'store'])->name('answer.store');
        Route::get('/entries', [EntriesController::class, 'show'])->name('entries');
        Route::get('/entries/sums', [EntriesController::class, 'sums'])->name('entries.sums');
        Route::get('/entries/download/{format}', [EntriesController::class, 'download'])->whereIn('format', ['csv', 'xlsx', 'json'])->middleware('beside:copy')->name('entries.download');
        Route::get('/entries/outbox', [EntriesController::class, 'outbox'])->name('entries.outbox');
        Route::get('/entries/changes', [EntryChangesController::class, 'show'])->name('entries.changes');
        Route::post('/entries/changes', [EntryChangesController::class, 'store'])->name('entries.changes.out');
        Route::get('/entries/waiting', [EntryProposalsController::class, 'show'])->name('entries.waiting');
        Route::post('/entries/waiting', [EntryProposalsController::class, 'store'])->name('entries.waiting.yes');
        Route::put('/entries/history', [EntriesController::class, 'keep'])->name('entries.keep');
        Route::put('/answers', [EntryController::class, 'update'])->name('entry.save');
        Route::delete('/entry', [EntryController::class, 'destroy'])->name('entry.delete');
        Route::put('/entry', [EntryController::class, 'restore'])->name('entry.undelete');

        Route::post('/report', [ReportController::class, 'edit'])->name('report.edit');
        Route::get('/report', [ReportController::class, 'show'])->name('report.show');
        Route::get('/report/{part}/settings', [ReportController::class, 'settings'])->name('report.settings');
        Route::get('/report/{part}/figures', [ReportController::class, 'figures'])->name('report.figures');
        Route::put('/report/pins', [ReportController::class, 'pin'])->name('report.pin');
        Route::post('/into', MakeIntoController::class)->name('file.into');
        Route::put('/data/source', FollowController::class)->name('dataset.follow');
        Route::get('/fields/{field}', [FieldController::class, 'show'])->name('field.edit');
        Route::put('/fields/{field}', [FieldController::class, 'update'])->name('field.save');
        Route::get('/fields/{field}/remove', [FieldController::class, 'hanging'])->name('field.hanging');
        Route::delete('/fields/{field}', [FieldController::class, 'destroy'])->name('field.remove');
        Route::get('/records/{record}', [RecordController::class, 'edit'])->name('record.edit');
        Route::put('/records/{record}', [RecordController::class, 'update'])->name('record.save');
        Route::delete('/records/{record}', [RecordController::class, 'destroy'])->name('record.remove');

        Route::get('/publishings/{publishing}', [PublishingController::class, 'wish'])->name('wish');
        Route::put('/publishings/{publishing}', [PublishingController::class, 'answer'])->name('wish.answer');
        Route::get('/proposals/{proposal}', [ProposalController::class, 'show'])->name('proposal');
        Route::put('/proposals/{proposal}', [ProposalController::class, 'answer'])->name('proposal.answer');
        Route::post('/proposals/{proposal}', [ProposalController::class, 'again'])->name('proposal.again');
        Route::delete('/live', [PublishingController::class, 'destroy'])->name('unpublish');
        Route::put('/public', [PublishingController::class, 'open'])->name('public');

        Route::get('/history', [HistoryController::class, 'show'])->name('history');
        Route::get('/history/lines', LinesController::class)->name('lines');
        Route::get('/history/list', VersionListController::class)->name('list');
        Route::get('/parts/{part}', [PartController::class, 'show'])->name('part');
        Route::get('/parts/{part}/versions/{number}', [PartController::class, 'where'])->where('number', '\d{1,9}')->name('part.where');
        Route::post('/parts/{part}/versions/{number}', [PartController::class, 'store'])->where('number', '\d{1,9}')->name('part.restore');
        Route::get('/cells/{row}/{column}', [CellController::class, 'show'])->name('cell');
        Route::post('/cells/{row}/{column}/versions/{number}', [CellController::class, 'store'])->where('number', '\d{1,9}')->name('cell.restore');
        Route::get('/causes/{row}/{column}', [CellController::class, 'causes'])->name('causes');
        Route::get('/take-out', [TakeOutController::class, 'show'])->name('take-out');
        Route::post('/take-out', [TakeOutController::class, 'store'])->name('take-out.store');
        Route::get('/ribbon', [RibbonController::class, 'show'])->name('ribbon');
        Route::prefix('/versions/{number}')->where(['number' => '\d{1,9}'])->group(function (): void {
            Route::get('/content', ContentController::class)->name('file.content');
            Route::get('/line', [RibbonController::class, 'line'])->name('line');
            Route::put('/milestone', [MilestoneController::class, 'update'])->name('milestone.mark');
            Route::delete('/milestone', [MilestoneController::class, 'destroy'])->name('milestone.remove');
            Route::get('/restore', [RestoreController::class, 'show'])->name('restore');
            Route::post('/restore', [RestoreController::class, 'store'])->name('restore.store');
            Route::post('/take-back', TakeBackController::class)->name('restore.undo');
            Route::post('/meant', [UnusualController::class, 'store'])->name('meant');
            Route::get('/comparison/{to}/{format}', ComparisonController::class)->where('to', '\d{1,9}')->whereIn('format', ['html', 'xlsx'])->middleware('beside:copy')->name('comparison');
            Route::get('/publish', [PublishingController::class, 'show'])->name('publish');
            Route::post('/publish', [PublishingController::class, 'store'])->name('publish.store');
            Route::match(['get', 'post'], '/try', TryFormController::class)->name('try');
            Route::get('/copy', [CopyController::class, 'show'])->name('copy');
            Route::post('/copy', [CopyController::class, 'store'])->name('copy.store');
            Route::get('/download/{format}', DownloadController::class)->middleware('beside:copy')->name('download');
        });
    });
});
