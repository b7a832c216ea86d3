<?php

declare(strict_types=1);

use App\Http\Finding\FindController;
use App\Http\Finding\MilestonesController;
use App\Http\ForYou\ForYouController;
use App\Http\Keeping\LogController;
use App\Http\Keeping\LostController;
use App\Http\Keeping\LostShelfController;
use App\Http\Keeping\MoveController;
use App\Http\Keeping\PinController;
use App\Http\Keeping\Rules\ItemRulesController;
use App\Http\Keeping\Rules\PlaceRulesController;
use App\Http\Keeping\Rules\ShelfRulesController;
use App\Http\Keeping\Rules\VersionsController;
use App\Http\Keeping\ShelfDetailsController;
use App\Http\LookingBack\ComparisonController;
use App\Http\LookingBack\DownloadController;
use App\Http\LookingBack\HistoryController;
use App\Http\LookingBack\MilestoneController;
use App\Http\LookingBack\MomentController;
use App\Http\LookingBack\PartController;
use App\Http\LookingBack\RibbonController;
use App\Http\LookingBack\UnusualController;
use App\Http\LookingBack\VersionListController;
use App\Http\Making\CopyController;
use App\Http\Making\FileController;
use App\Http\Place\MergeController;
use App\Http\Place\PlaceController;
use App\Http\Proposing\AnswerProposalsController;
use App\Http\Proposing\LinkController;
use App\Http\Proposing\ProposalFileController;
use App\Http\Proposing\ProposalsController;
use App\Http\Proposing\ProposeController;
use App\Http\Publishing\PublicController;
use App\Http\Publishing\PublishController;
use App\Http\Publishing\WishController;
use App\Http\Restoring\PartBackController;
use App\Http\Restoring\RestoreController;
use App\Http\Restoring\RestorePlanController;
use App\Http\Restoring\RestoreSeenController;
use App\Http\Restoring\TakeBackController;
use App\Http\Restoring\TakeOutController;
use App\Http\Sharing\AccountController;
use App\Http\Sharing\AddressController;
use App\Http\Sharing\BeginController;
use App\Http\Sharing\ForgottenController;
use App\Http\Sharing\InvitationController;
use App\Http\Sharing\OutboxController;
use App\Http\Sharing\PeopleController;
use App\Http\Sharing\SecondController;
use App\Http\Sharing\ShelfSettingsController;
use App\Http\Sharing\SignInController;
use App\Http\Shelf\DayController;
use App\Http\Shelf\ItemController;
use App\Http\Shelf\NamedDayController;
use App\Http\Shelf\ReturnController;
use App\Http\Shelf\ShelfController;
use App\Http\Shelf\WorkController;
use App\Http\Talk\TalkController;
use App\Http\Watching\WatchController;
use App\Http\Writing\FieldsController;
use App\Http\Writing\FootController;
use App\Http\Writing\HeldEditController;
use App\Http\Writing\LiveController;
use App\Http\Writing\PictureController;
use App\Http\Writing\ProposalController;
use App\Http\Writing\ProposeAgainController;
use App\Http\Writing\StateController;
use App\Models\Item;
use Illuminate\Support\Facades\Route;

Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
Route::get('/sign-in/state', [SignInController::class, 'state'])->name('sign-in.state');
Route::middleware('throttle:sign-in')->group(function (): void {
    Route::post('/begin', BeginController::class)->name('begin');
    Route::post('/sign-in', [SignInController::class, 'store'])->name('sign-in.store');
    Route::post('/sign-in/demo/{person}', [SignInController::class, 'demo'])->name('sign-in.demo');
});
Route::get('/sign-in/second', [SecondController::class, 'ask'])->name('sign-in.second');
Route::post('/sign-in/second', [SecondController::class, 'answer'])->middleware('throttle:second')->name('sign-in.second.store');
Route::get('/forgotten', [ForgottenController::class, 'show'])->name('forgotten');
Route::post('/forgotten', [ForgottenController::class, 'ask'])->middleware('throttle:sign-in')->name('forgotten.ask');
Route::middleware('signed:relative')->group(function (): void {
    Route::get('/new-password/{person}', [ForgottenController::class, 'choose'])
        ->where('person', '\d{1,9}')
        ->name('forgotten.choose');
    Route::post('/new-password/{person}', [ForgottenController::class, 'store'])
        ->where('person', '\d{1,9}')
        ->name('forgotten.store');
    Route::get('/invitation/{invitation}', [InvitationController::class, 'show'])
        ->where('invitation', '\d{1,9}')
        ->name('invitation');
    Route::post('/invitation/{invitation}', [InvitationController::class, 'store'])
        ->where('invitation', '\d{1,9}')
        ->name('invitation.store');
});

Route::middleware(['auth', 'throttle:work'])->group(function (): void {
    Route::post('/sign-out', [SignInController::class, 'destroy'])->name('sign-out');
    Route::get('/', [ShelfController::class, 'index'])->name('home');
    Route::get('/account', [AccountController::class, 'show'])->name('account');
    Route::get('/account/second', [SecondController::class, 'show'])->name('second');
    Route::put('/account', [AccountController::class, 'update'])->name('account.update');
    Route::middleware('throttle:sign-in')->group(function (): void {
        Route::put('/account/password', [AccountController::class, 'password'])->name('account.password');
        Route::put('/account/address', [AccountController::class, 'address'])->name('account.address');
        Route::post('/account/second', [SecondController::class, 'store'])->name('second.store');
        Route::delete('/account/second', [SecondController::class, 'destroy'])->name('second.off');
        Route::post('/account/elsewhere', [AccountController::class, 'elsewhere'])->name('account.elsewhere');
    });
    Route::get('/account/address/{person}', [AccountController::class, 'moved'])
        ->middleware('signed:relative')
        ->where('person', '\d{1,9}')
        ->name('account.moved');
    Route::post('/address', [AddressController::class, 'ask'])
        ->middleware('throttle:sign-in')
        ->name('address.ask');
    Route::get('/address/{person}', [AddressController::class, 'prove'])
        ->middleware('signed:relative')
        ->where('person', '\d{1,9}')
        ->name('address.prove');
    Route::get('/place', [PlaceController::class, 'show'])->name('place');
    Route::put('/place/people/{person}', [PlaceController::class, 'admit'])->name('place.admit');
    Route::put('/place/people/{person}/second', [PlaceController::class, 'second'])->name('place.second');
    Route::get('/place/people/{person}/merge', [MergeController::class, 'show'])->name('place.merge');
    Route::post('/place/people/{person}/merge', [MergeController::class, 'store'])->name('place.merge.store');
    Route::get('/keeping', [PlaceRulesController::class, 'show'])->name('keeping.place');
    Route::post('/keeping', [PlaceRulesController::class, 'store'])->name('keeping.place.say');
    Route::get('/lost', [LostController::class, 'index'])->name('lost.all');
    Route::put('/account/feed', [WatchController::class, 'feed'])->name('account.feed');
    Route::put('/account/mails', [WatchController::class, 'mails'])->name('account.mails');
    Route::get('/find', FindController::class)->name('find');
    Route::get('/milestones', MilestonesController::class)->name('milestones');
    Route::get('/for-you', [ForYouController::class, 'show'])->name('for-you');
    Route::post('/for-you', [ForYouController::class, 'aside'])->name('for-you.aside');
    Route::get('/outbox', OutboxController::class)->name('outbox');
    Route::get('/work/{task}', [WorkController::class, 'show'])->name('work');
    Route::get('/work/{task}/file', [WorkController::class, 'file'])->name('work.file');

    Route::get('/shelves/new', [ShelfDetailsController::class, 'create'])->name('shelf.new');
    Route::post('/shelves', [ShelfDetailsController::class, 'store'])->name('shelf.store');
    Route::prefix('/shelves/{shelf}')->group(function (): void {
        Route::get('/about', [ShelfDetailsController::class, 'edit'])->name('shelf.edit');
        Route::put('/about', [ShelfDetailsController::class, 'update'])->name('shelf.update');
        Route::put('/order', [ShelfDetailsController::class, 'order'])->name('shelf.order');
        Route::put('/archive', [ShelfDetailsController::class, 'archive'])->name('shelf.archive');
        Route::get('/delete', [LostShelfController::class, 'ask'])->name('shelf.delete');
        Route::delete('/', [LostShelfController::class, 'destroy'])->name('shelf.destroy');
        Route::put('/back', [LostShelfController::class, 'back'])->name('shelf.back');
        Route::get('/for-good', [LostShelfController::class, 'askForGood'])->name('shelf.ask-for-good');
        Route::delete('/for-good', [LostShelfController::class, 'forGood'])->name('shelf.for-good');
        Route::put('/watch', [WatchController::class, 'shelf'])->name('watch.shelf');
        Route::get('/keeping', [ShelfRulesController::class, 'show'])->name('keeping.shelf');
        Route::post('/keeping', [ShelfRulesController::class, 'store'])->name('keeping.shelf.say');
        Route::put('/keeping/kinds', [ShelfRulesController::class, 'kinds'])->name('keeping.shelf.kinds');
        Route::post('/keeping/now', [ShelfRulesController::class, 'now'])->name('keeping.shelf.now');
        Route::get('/day', [DayController::class, 'show'])->name('day');
        Route::get('/day/ribbon', [DayController::class, 'ribbon'])->name('day.ribbon');
        Route::post('/day/mark', [NamedDayController::class, 'mark'])->name('day.mark');
        Route::post('/day/copy', [NamedDayController::class, 'copy'])->middleware('beside:shelf,always')->name('day.copy');
        Route::get('/day/back', [ReturnController::class, 'show'])->name('day.back');
        Route::post('/day/back', [ReturnController::class, 'store'])->name('day.back.store');
        Route::delete('/day/back/{return}', [ReturnController::class, 'undo'])->where('return', '\d{1,9}')->name('day.back.undo');
        Route::get('/log', [LogController::class, 'show'])->name('log');
        Route::get('/log.csv', [LogController::class, 'download'])->name('log.csv');
        Route::get('/', [ShelfController::class, 'show'])->name('shelf');
        Route::post('/items', [ShelfController::class, 'store'])->middleware('beside:file')->name('shelf.make');
        Route::get('/lost', [LostController::class, 'shelf'])->name('lost');
        Route::get('/people', [PeopleController::class, 'index'])->name('people');
        Route::post('/people', [PeopleController::class, 'store'])->name('people.store');
        Route::put('/settings', ShelfSettingsController::class)->name('shelf.settings');
        Route::scopeBindings()->group(function (): void {
            Route::put('/people/{membership}', [PeopleController::class, 'update'])->name('people.update');
            Route::delete('/people/{membership}', [PeopleController::class, 'destroy'])->name('people.destroy');
            Route::delete('/invitations/{invitation}', [InvitationController::class, 'destroy'])->name('people.take-back');
        });
    });

    Route::prefix('/items/{item}')->group(function (): void {
        // What somebody proposes is written on a side line like the item itself.
        Route::group([Item::LINES => true], function (): void {
            Route::get('/', [ItemController::class, 'show'])->name('item');
            Route::get('/foot', [FootController::class, 'show'])->name('item.foot');
            Route::get('/notes', [FootController::class, 'notes'])->name('item.notes');
            Route::get('/state', [StateController::class, 'show'])->name('state');
            Route::put('/state', [StateController::class, 'save'])->name('state.save');
            Route::put('/fields', FieldsController::class)->name('fields.save');
            Route::post('/aside', [StateController::class, 'aside'])->name('state.aside');
            Route::get('/live', LiveController::class)->name('live');
            Route::post('/pictures', [PictureController::class, 'store'])->name('picture.store');
            Route::get('/pictures/{chunk}', [PictureController::class, 'show'])->name('picture')->where('chunk', '[0-9a-f]{40}');
            Route::get('/held/{held}', [HeldEditController::class, 'show'])->name('held');
            Route::put('/held/{held}', [HeldEditController::class, 'update'])->name('held.settle');
        });
        Route::get('/menu', [ItemController::class, 'menu'])->name('item.menu');
        Route::get('/delete', [LostController::class, 'ask'])->name('item.delete');
        Route::delete('/', [LostController::class, 'destroy'])->name('item.destroy');
        Route::put('/back', [LostController::class, 'back'])->name('item.back');
        Route::get('/watch', [WatchController::class, 'show'])->name('watch');
        Route::put('/watch', [WatchController::class, 'item'])->name('watch.item');
        Route::get('/keeping', [ItemRulesController::class, 'show'])->name('keeping');
        Route::post('/keeping', [ItemRulesController::class, 'store'])->name('keeping.say');
        Route::post('/keeping/now', [ItemRulesController::class, 'now'])->name('keeping.now');
        Route::delete('/versions', [VersionsController::class, 'destroy'])->name('versions.delete');
        Route::get('/for-good', [LostController::class, 'askForGood'])->name('item.ask-for-good');
        Route::delete('/for-good', [LostController::class, 'forGood'])->name('item.for-good');
        Route::get('/move', [MoveController::class, 'show'])->name('item.move');
        Route::put('/shelf', [MoveController::class, 'store'])->name('item.moved');
        Route::get('/file', [FileController::class, 'show'])->name('item.file');
        Route::post('/file', [FileController::class, 'store'])->middleware('beside:file')->name('item.file.store');
        Route::put('/title', [ItemController::class, 'rename'])->name('item.rename');

        Route::get('/publishings/{publishing}', [WishController::class, 'show'])->name('wish');
        Route::put('/publishings/{publishing}', [WishController::class, 'update'])->name('wish.answer');
        Route::get('/proposals', ProposalsController::class)->name('proposals');
        Route::post('/proposals', [ProposeController::class, 'begin'])->name('proposals.begin');
        Route::put('/proposals', [AnswerProposalsController::class, 'all'])->name('proposals.answer-all');
        Route::post('/proposals/links', [LinkController::class, 'store'])->name('proposals.link');
        Route::delete('/proposals/links/{link}', [LinkController::class, 'destroy'])->name('proposals.link.back')->where('link', '\d{1,9}');
        Route::post('/proposals/from-copy', [ProposeController::class, 'fromCopy'])->name('proposals.from-copy');
        Route::get('/proposals/{proposal}/changes.{format}', ProposalFileController::class)
            ->name('proposals.file')
            ->where('format', '[a-z]{2,5}');
        Route::put('/proposals/{proposal}/changes', [AnswerProposalsController::class, 'one'])->name('proposals.answer');
        Route::post('/proposals/{proposal}/changes', [ProposeController::class, 'again'])->name('proposals.again');
        Route::get('/proposals/{proposal}', [ProposalController::class, 'show'])->name('proposal');
        Route::put('/proposals/{proposal}', [ProposalController::class, 'answer'])->name('proposal.answer');
        Route::post('/proposals/{proposal}', ProposeAgainController::class)->name('proposal.again');
        Route::delete('/live', [PublicController::class, 'destroy'])->name('unpublish');
        Route::put('/public', [PublicController::class, 'update'])->name('public');

        Route::get('/talk', [TalkController::class, 'index'])->name('talk');
        Route::post('/talk', [TalkController::class, 'begin'])->name('talk.begin');
        Route::post('/talk/{thread}', [TalkController::class, 'say'])->name('talk.say');

        Route::get('/history', [HistoryController::class, 'show'])->name('history');
        Route::get('/history/at', MomentController::class)->name('history.at');
        Route::get('/history/list', VersionListController::class)->name('list');
        Route::get('/parts/{part}', PartController::class)->name('part');
        Route::get('/parts/{part}/versions/{number}', [PartBackController::class, 'where'])
            ->where('number', '\d{1,9}')
            ->name('part.where');
        Route::post('/parts/{part}/versions/{number}', [PartBackController::class, 'store'])
            ->where('number', '\d{1,9}')
            ->name('part.restore');
        Route::get('/take-out', [TakeOutController::class, 'show'])->name('take-out');
        Route::post('/take-out', [TakeOutController::class, 'store'])->name('take-out.store');
        Route::post('/take-out/seen', [TakeOutController::class, 'seen'])->name('take-out.seen');
        Route::get('/ribbon', [RibbonController::class, 'show'])->name('ribbon');
        Route::prefix('/versions/{number}')
            ->where(['number' => '\d{1,9}'])
            ->group(function (): void {
                Route::get('/line', [RibbonController::class, 'line'])->name('line');
                Route::get('/miniature/{root}', [RibbonController::class, 'miniature'])
                    ->name('miniature')
                    ->where('root', '[0-9a-f]{16}');
                Route::put('/pin', PinController::class)->name('version.pin');
                Route::put('/milestone', [MilestoneController::class, 'update'])->name('milestone.mark');
                Route::delete('/milestone', [MilestoneController::class, 'destroy'])->name('milestone.remove');
                Route::put('/milestone/{way}', [MilestoneController::class, 'move'])
                    ->whereIn('way', ['before', 'after'])
                    ->name('milestone.move');
                Route::get('/restore', RestorePlanController::class)->name('restore');
                Route::post('/restore', RestoreController::class)->name('restore.store');
                Route::post('/restore/seen', RestoreSeenController::class)->name('restore.seen');
                Route::post('/take-back', TakeBackController::class)->name('restore.undo');
                Route::post('/meant', [UnusualController::class, 'store'])->name('meant');
                Route::get('/comparison/{to}/{format}', ComparisonController::class)
                    ->where('to', '\d{1,9}')
                    ->where('format', '[a-z]{3,5}')
                    ->middleware('beside:copy')
                    ->name('comparison');
                Route::get('/publish', [PublishController::class, 'show'])->name('publish');
                Route::post('/publish', [PublishController::class, 'store'])->name('publish.store');
                Route::get('/copy', [CopyController::class, 'show'])->name('copy');
                Route::post('/copy', [CopyController::class, 'store'])->name('copy.store');
                Route::get('/download/{format}', DownloadController::class)->middleware('beside:copy')->name('download');
            });
    });

    // What only one kind has stands in its room.
    foreach (glob(app_path('Kinds/*/routes.php')) ?: [] as $routes) {
        require $routes;
    }
});
