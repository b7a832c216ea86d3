<?php

/*
 * What 200 open proposals on one document cost: its desk, the page of one, a save of the item, and an answer.
 *   php bench/proposals.php [--quick]     with 20 proposals, as CI does
 */

declare(strict_types=1);

use App\Making\MakeItem;
use App\Models\Membership;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\Role;
use App\Models\User;
use App\Proposing\DecideProposal;
use App\Proposing\OpenLine;
use App\Saving\CarryAlong;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\View\Proposals\OpenProposals;
use Illuminate\Contracts\Http\Kernel as Http;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Date;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;

require __DIR__.'/boot.php';
Date::setTestNow('2026-02-02 09:00:00');
[$blocks, $people] = $quick ? [60, 20] : [300, 200];
$text = fn (int $at, string $more = ''): RichText => RichText::plain(
    "{$more}Paragraph {$at} says what is to be done with the lamp, the lead and the socket before anybody opens the door.",
);
$tree = PartTree::of(
    array_map(fn (int $at): Part => new Part(sprintf('par%05d', $at), 'paragraph', 0, ['text' => $text($at)]), range(1, $blocks)),
);
$made = fn (string $title) => $app
    ->make(MakeItem::class)
    ->handle($shelf, $user, 'document', $title, content: new Content(Kinds::named('document'), $tree), keepIds: true);
[$bare, $item] = [$made('Nobody proposes'), $made('Proposed for')];
$changed = function (PartTree $of, array $texts): PartTree {
    return PartTree::of(
        array_map(fn (Part $part): Part => isset($texts[$part->id]) ? $part->with('text', $texts[$part->id]) : $part, $of->parts),
    );
};
$save = fn ($of, User $who, PartTree $to, string $client) => $app
    ->make(SaveState::class)
    ->handle($of->refresh(), $who, new Sent($of->root, $to, $client));
for ($at = 0; $at < $people; $at++) {
    $who = User::factory()->called("Person{$at} Of Many")->create();
    Membership::query()->create(['shelf_id' => $shelf->id, 'user_id' => $who->id, 'role' => Role::Editor]);
    $line = $app->make(OpenLine::class)->handle($item, $who);
    [$one, $two] = [1 + ($at % $blocks), 1 + (($at * 7 + 3) % $blocks)];
    $save(
        $line,
        $who,
        $changed($tree, [
            sprintf('par%05d', $one) => $text($one, "As {$at} says: "),
            sprintf('par%05d', $two) => $text($two, "Or {$at}: "),
        ]),
        "w{$at}",
    );
}
$shelf->load('memberships.user');
$get = function (string $url) use ($app, $user): int {
    // As the next request would find it.
    $app->forgetScopedInstances();
    Auth::setUser($user->fresh() ?? $user);
    $answer = $app->make(Http::class)->handle(Request::create(config('app.url').$url));
    $answer->getStatusCode() === 200
        || throw new RuntimeException("{$url}: {$answer->getStatusCode()} {$answer->headers->get('Location')}");

    return strlen((string) $answer->getContent());
};
$open = new OpenProposals($item);
count($open->all) === $people || throw new RuntimeException('not all proposals are told');
printf("%s open proposals on %s paragraphs\n\n", number_format($people), number_format($blocks));
printf("the desk of an item without any   %7.1f ms\n", $time(fn () => $get("/items/{$bare->key}")));
printf("its desk                          %7.1f ms\n", $time(fn () => $get("/items/{$item->key}")));
printf(
    "one of them, in place             %7.1f ms\n",
    $time(fn (int $run) => $get("/items/{$item->key}/proposals?of={$open->all[$run]->id}")),
);
printf("everybody's, eight side by side   %7.1f ms\n", $time(fn () => $get("/items/{$item->key}/proposals?of=everybody")));
$writes = fn ($of): float => $time(function (int $run) use ($save, $of, $user, $changed, $tree, $text): void {
    Date::setTestNow(Date::now()->addMinutes(2));
    $save($of, $user, $changed($tree, ['par00001' => $text(1, "Run {$run}. ")]), "s{$run}");
});
[$alone, $beside] = [$writes($bare), $writes($item)];
printf(
    "a save of an item without any     %7.1f ms\na save of it                      %7.1f ms, %.2f times\n",
    $alone,
    $beside,
    $beside / $alone,
);
printf(
    "the same, merged since            %7.1f ms\n",
    $time(fn (int $run) => $get("/items/{$item->key}/proposals?of={$open->all[$run]->id}")),
);
printf(
    "carrying one along                %7.1f ms\n",
    $time(
        fn (int $run) => $app
            ->make(CarryAlong::class)
            ->handle(Proposal::query()->with('item', 'line', 'user')->findOrFail($open->all[$run]->id)),
    ),
);
printf(
    "accepting one                     %7.1f ms\n",
    $time(function (int $run) use ($app, $open, $item, $user): void {
        $proposal = Proposal::query()->with('item', 'line', 'user')->findOrFail($open->all[$run]->id);
        $app->make(DecideProposal::class)->handle($proposal, $user, ProposalState::Accepted, $item->refresh()->head, $proposal->root)
            ?? throw new RuntimeException('not accepted');
    }),
);
