<?php

/*
 * What 2,000 comments on one document cost: its page, its desk, looking back, and a save that moves words under them.
 *   php bench/talk.php [--quick]     with 200 comments, as CI does
 */

declare(strict_types=1);

use App\Making\MakeItem;
use App\Models\Comment;
use App\Models\Thread;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use App\View\Talk\Talk;
use App\View\Talk\TalkPage;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Support\ViewErrorBag;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;

require __DIR__.'/boot.php';
Auth::login($user);
Date::setTestNow('2026-02-02 09:00:00');
[$blocks, $threads] = $quick ? [60, 50] : [300, 500];
$text = fn (int $at, string $more = ''): RichText => RichText::plain(
    "{$more}Paragraph {$at} says what is to be done with the lamp, the lead and the socket before anybody opens the door.",
);
$tree = PartTree::of(
    array_map(fn (int $at): Part => new Part(sprintf('par%05d', $at), 'paragraph', 0, ['text' => $text($at)]), range(1, $blocks)),
);
$bare = $app
    ->make(MakeItem::class)
    ->handle($shelf, $user, 'document', 'Nobody talks about it', content: new Content(Kinds::named('document'), $tree), keepIds: true);
$item = $app
    ->make(MakeItem::class)
    ->handle($shelf, $user, 'document', 'Talked about', content: new Content(Kinds::named('document'), $tree), keepIds: true);
DB::transaction(function () use ($item, $threads, $blocks, $user, $tree): void {
    for ($at = 0; $at < $threads; $at++) {
        $part = sprintf('par%05d', 1 + $at % $blocks);
        $words = 'the lamp, the lead';
        $from = (int) mb_strpos($tree->get($part)->richText()->text(), $words);
        $thread = Thread::query()->create([
            'key' => Str::lower(Str::random(12)),
            'item_id' => $item->id,
            'user_id' => $user->id,
            'part' => $part,
            'number' => 1,
            'quote' => $words,
            'is_open' => $at % 3 > 0,
            'at' => now(),
        ]);
        DB::table('thread_places')->insert([
            'thread_id' => $thread->id,
            'number' => 1,
            'item_id' => $item->id,
            'part' => $part,
            'from_at' => $from,
            'to_at' => $from + mb_strlen($words),
            'words' => $words,
        ]);
        foreach (range(1, 4) as $line) {
            Comment::query()->create([
                'thread_id' => $thread->id,
                'user_id' => $user->id,
                'deed' => $line === 4 && $at % 3 === 0 ? 'settled' : 'said',
                'text' => "Line {$line} of what is said about it, see version 1.",
                'number' => 1,
                'at' => now(),
            ]);
        }
    }
});

$talk = new Talk($item);
count($talk->threads) === $threads || throw new RuntimeException('not all threads are told');
printf("%s comments in %s threads on %s paragraphs\n\n", number_format($threads * 4), number_format($threads), number_format($blocks));
printf("reading all of it                 %7.1f ms\n", $time(fn () => new Talk($item)));
printf(
    "as slips for the desk             %7.1f ms\n",
    $time(fn () => view('talk.slips', TalkPage::seen($item, new Talk($item), true))->render()),
);
view()->share('errors', new ViewErrorBag);
printf(
    "the page of all threads           %7.1f ms\n",
    $time(fn () => view('talk', (new TalkPage($item, $user, ['show' => 'all'], $app->make(States::class)))->all())->render()),
);
$saves = function ($of) use ($app, $user, $text, $tree, $time): float {
    return $time(function (int $run) use ($app, $of, $user, $text, $tree): void {
        Date::setTestNow(Date::now()->addMinutes(2));
        $app->make(SaveState::class)->handle(
            $of->refresh(),
            $user,
            new Sent(
                $of->root,
                PartTree::of([$tree->parts[0]->with('text', $text(1, "Run {$run}. ")), ...array_slice($tree->parts, 1)]),
                "w{$run}",
            ),
        );
    });
};
[$alone, $talked] = [$saves($bare), $saves($item)];
printf(
    "a save that nobody talks about    %7.1f ms\na save under words talked about   %7.1f ms, %.2f times\n",
    $alone,
    $talked,
    $talked / $alone,
);
