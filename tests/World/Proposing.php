<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalLink;
use App\Models\ProposalState;
use App\Models\Role;
use App\Models\Version;
use App\View\Proposals\Everybody;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Kinds;

/** People propose instead of writing, others answer, and the item goes on meanwhile. */
final class Proposing
{
    /** @var array<string, array<string, true>> kind => tags that were written on side lines and answered with a yes */
    private array $yes = [];

    /** @var array<string, array<string, true>> kind => tags that their authors took away again there */
    private array $replaced = [];

    /** @var array<string, array{string, list<string>, list<string>}> kind => the state that a visitor was shown last, with the parts and fields of its form */
    private array $shown = [];

    /** @var array<string, Window> by person and kind */
    private array $windows = [];

    public function __construct(private readonly World $world) {}

    public function propose(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        $begun = $this->world->as($step->who)->post(route('proposals.begin', $item));
        if ($step->item === 'file' || ! $this->world->mayWrite($step->who)) {
            in_array($begun->getStatusCode(), [403, 404], true) || throw Broken::law('Only who may propose proposes', "{$step->who} was answered {$begun->getStatusCode()}");

            return;
        }
        $root = $item->root;
        $this->world->allowed($begun, 'proposing');
        $item->refresh()->root === $root || throw Broken::law('Proposing changes nothing', $step->item);
        $line = Proposal::lineFor($this->world->people[$step->who], $item)->line ?? throw Broken::law('Who proposes has a side line', "{$step->who} for the {$step->item}");
        $this->world->allowed($this->world->as($step->who)->get(route('item', $line)), 'opening a side line');
        $window = $this->window($step, $line, $chance);
        $had = Ledger::tags($window->known);
        $window->now = $this->world->pen($chance, $step->item, $step->who)->write($window->now);
        if (! $window->isDirty()) {
            return;
        }
        $has = Ledger::tags($window->now);
        $row = Kinds::named($step->item)->grid()?->row;
        $answer = $this->world->as($step->who)->putJson(route('state.save', $line), $window->sending($row));
        $answer->getStatusCode() === 200 || throw Broken::law('No root that was handed out is refused', "{$step->who} on a side line of the {$step->item} was answered {$answer->getStatusCode()}: {$answer->getContent()} {$answer->exception?->getMessage()} at {$answer->exception?->getFile()}:{$answer->exception?->getLine()}");
        $item->refresh()->root === $root || throw Broken::law('Proposing changes nothing', $step->item);
        $window->hear((array) $answer->json(), $row);
        $this->yes[$step->item] = ($this->yes[$step->item] ?? []) + array_filter($has, fn (string|int $tag) => Ledger::author((string) $tag) === $step->who, ARRAY_FILTER_USE_KEY);
        $this->replaced[$step->item] = ($this->replaced[$step->item] ?? []) + array_diff_key($had, $has);
    }

    /** The one of before, as long as the same line is written; or opened anew. */
    private function window(Step $step, Item $line, Chance $chance): Window
    {
        $at = "{$step->who}/{$line->id}";
        if (! isset($this->windows[$at]) || $this->windows[$at]->sent !== null || $chance->once(3)) {
            $state = $this->world->allowed($this->world->as($step->who)->getJson(route('state', $line)), 'opening a side line');
            $tree = Window::read((array) $state->json('content'));
            $this->windows[$at] = new Window($step->who, $step->item, 'p'.substr($step->who, 0, 1).$line->id.'n'.count($this->windows).($this->windows[$at]->epoch ?? 0), (string) $state->json('root'), $tree, $tree, (int) $state->json('number'));
        }

        return $this->windows[$at];
    }

    /** An owner gives a link, or there is one; with it, and no account, somebody proposes over the state that they were shown, or over one of before. */
    public function visit(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        $isOwner = $item->shelf->memberships()->where('user_id', $this->world->people[$step->who]->id)->value('role') === Role::Owner;
        $given = $this->world->as($step->who)->post(route('proposals.link', $item), ['days' => 1 + $chance->under(3), 'most' => 1 + $chance->under(4)]);
        $given->isRedirect() && ! $isOwner && throw Broken::law('Only owners let somebody without an account propose', "{$step->who} made a link");
        $link = ProposalLink::query()->open()->where('item_id', $item->id)->orderByDesc('id')->first();
        if ($link === null) {
            return;
        }
        auth()->forgetGuards();
        $page = $this->world->http->get(route('visitor', $link->token));
        if ($page->getStatusCode() === 410) {
            Gate::forUser($link->user)->allows('letPropose', $item) && throw Broken::law('A link leads on as long as whoever gave it may give it', $step->item);

            return;
        }
        $this->world->allowed($page, 'proposing by a link');
        preg_match_all('/name="parts\[([^\]]+)\]\[([^\]]+)\]"/', (string) $page->getContent(), $fields);
        preg_match('/name="base" value="([0-9a-f]{40})"/', (string) $page->getContent(), $shown);
        // Some write for long.
        $now = [$shown[1] ?? '', $fields[1], $fields[2]];
        [$base, $ids, $names] = $chance->once(3) ? $this->shown[$step->item] ?? $now : $now;
        $this->shown[$step->item] = $now;
        if ($ids === []) {
            return;
        }
        $at = $chance->under(count($ids));
        $tag = $this->world->pen($chance, $step->item, 'visitor')->tag();
        $root = $item->root;
        $had = $this->visitors($item);
        auth()->forgetGuards();
        $sent = $this->world->http->post(route('visitor.send', $link->token), ['name' => 'Dara Finch', 'base' => $base, 'parts' => [$ids[$at] => [$names[$at] => "By a visitor {$tag}"]]]);
        $item->refresh()->root === $root || throw Broken::law('Proposing changes nothing', $step->item);
        if ($sent->getStatusCode() === 422) {
            str_contains((string) $sent->getContent(), $tag) || throw Broken::law('What somebody typed stays', "{$tag} is not on the page that says no");

            return;
        }
        $this->world->allowed($sent, 'proposing by a link');
        $this->yes[$step->item][$tag] = true;
        $this->replaced[$step->item] = ($this->replaced[$step->item] ?? []) + array_diff_key($had, $this->visitors($item));
    }

    /** @return array<string, true> tags on the visitor's side line */
    private function visitors(Item $item): array
    {
        $line = Proposal::lineFor($this->world->people['visitor'], $item, 'Dara Finch')?->line?->refresh();

        return $line === null ? [] : Ledger::tags($this->world->states->tree($line->root));
    }

    public function answer(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        $open = Proposal::query()->where('item_id', $item->id)->whereNotNull('line_id')->orderBy('id')->get()->all();
        if ($open === []) {
            return;
        }
        $proposal = $chance->of(array_values($open))->setRelation('item', $item);
        $author = (string) array_search($proposal->user_id, array_map(fn ($person) => $person->id, $this->world->people), true);
        $http = $this->world->as($step->who);
        $page = $http->get(route('proposals', [$item, 'of' => $proposal->id, 'look' => $chance->of(['with', 'with', 'would'])]));
        if (! $this->world->mayWrite($step->who)) {
            $seen = $this->world->sees($step->who, $step->item);
            $page->isOk() === $seen || throw Broken::law('Nobody sees what is not theirs to see', "{$step->who} was answered {$page->getStatusCode()} of what is proposed for the {$step->item}");
        } else {
            $this->world->allowed($page, 'looking at what is proposed');
            $this->world->allowed($this->world->as($step->who)->get(route('proposals', [$item, 'at' => 1 + $chance->under($item->head)])), 'looking at what was proposed', 410);
        }
        if ($chance->once(4)) {
            $this->answerAll($step, $chance, $item, $open);

            return;
        }
        if ($proposal->state !== ProposalState::Waiting) {
            $this->again($step, $proposal, $author);

            return;
        }
        $do = $author === $step->who && $chance->once(3) ? 'withdrawn' : $chance->of(['accepted', 'accepted', 'declined']);
        preg_match_all('/value="accepted ([^"]+)"/', (string) $page->getContent(), $lines);
        $keys = $lines[1] === [] || $chance->once(3) ? '' : ' '.$chance->of(array_values($lines[1]));
        $exact = $proposal->base === $item->root && $proposal->met === [] ? $proposal->root : null;
        $before = $item->root;
        $answer = $this->world->as($step->who)->put(route('proposals.answer', [$item, $proposal]), ['do' => $do.$keys, 'seen' => $item->head, 'state' => $proposal->root]);
        $item->refresh();
        if (! $this->world->mayWrite($step->who)) {
            in_array($answer->getStatusCode(), [403, 404], true) && $item->root === $before || throw Broken::law('Only who may write answers what is proposed', "{$step->who} was answered {$answer->getStatusCode()}");

            return;
        }
        $this->world->allowed($answer, 'answering what is proposed');
        $state = $proposal->refresh()->state;
        if ($do !== 'accepted') {
            $item->root === $before || throw Broken::law('What is declined changes nothing', $step->item);

            return;
        }
        // What is taken away is so by who proposed it.
        $this->world->tookAway($step->item, $author, $before, $item->root);
        $keys !== '' || $exact === null || $state !== ProposalState::Accepted || $item->root === $exact || throw Broken::law('Accepting all gives what was proposed', "{$item->root}, not {$exact}, for the {$step->item}");
    }

    /** @param array<int, Proposal> $open */
    private function answerAll(Step $step, Chance $chance, Item $item, array $open): void
    {
        $waiting = array_filter($open, fn (Proposal $proposal) => $proposal->state === ProposalState::Waiting);
        $page = $this->world->as($step->who)->get(route('proposals', [$item, 'of' => 'everybody', ...($chance->once(3) ? ['at' => 1 + $chance->under($item->head)] : [])]));
        $states = array_column(array_map(fn (Proposal $proposal) => [$proposal->id, $proposal->root], array_slice($waiting, 0, Everybody::MOST)), 1, 0);
        if ($states === []) {
            return;
        }
        $do = $chance->of(['accepted', 'declined']);
        [$before, $head] = [$item->root, $item->head];
        $answer = $this->world->as($step->who)->put(route('proposals.answer-all', $item), ['do' => $do, 'states' => $states]);
        $item->refresh();
        if (! $this->world->mayWrite($step->who)) {
            in_array($answer->getStatusCode(), [403, 404], true) && $item->root === $before || throw Broken::law('Only who may write answers what is proposed', "{$step->who} was answered {$answer->getStatusCode()}");

            return;
        }
        $this->world->allowed($page, 'looking at what everybody proposes', 410);
        $this->world->allowed($answer, 'answering what everybody proposes');
        $do === 'accepted' || $item->root === $before || throw Broken::law('What is declined changes nothing', $step->item);
        foreach (Version::query()->where('item_id', $item->id)->where('number', '>', $head)->orderBy('number')->get() as $version) {
            $this->world->tookAway($step->item, (string) array_search($version->user_id, array_map(fn ($person) => $person->id, $this->world->people), true), $before, $version->root);
            $before = $version->root;
        }
    }

    private function again(Step $step, Proposal $answered, string $author): void
    {
        $taken = $this->world->as($step->who)->post(route('proposals.again', [$answered->item, $answered]));
        if ($author !== $step->who || ! $this->world->mayWrite($step->who)) {
            in_array($taken->getStatusCode(), [403, 404], true) || throw Broken::law('Only who proposed it proposes it again', "{$step->who} was answered {$taken->getStatusCode()}");

            return;
        }
        $this->world->allowed($taken, 'proposing again');
    }

    /** What was proposed is in a version of a side line or of the item, or waits; and a side line is what is proposed. */
    public function hold(): void
    {
        foreach ($this->world->items as $kind => $item) {
            $lines = Item::query()->withoutGlobalScope(Item::MAIN)->where('line_of', $item->id)->pluck('id')->all();
            $missing = array_diff_key($this->yes[$kind] ?? [], $this->replaced[$kind] ?? []);
            foreach ($missing === [] ? [] : Version::query()->whereIn('item_id', [...$lines, $item->id])->orderByDesc('id')->pluck('root')->unique() as $root) {
                $missing = array_diff_key($missing, Ledger::tags($this->world->states->tree((string) $root)));
            }
            $held = $missing === [] ? '' : implode("\n", HeldEdit::query()->whereIn('item_id', $lines)->pluck('conflict')->all());
            foreach ($missing as $tag => $unused) {
                isset($this->world->ledger->gone[$kind][$tag]) || str_contains($held, ltrim((string) $tag, '#')) || throw Broken::law('What was answered with a yes is in a state or waits', "{$tag}, proposed for the {$kind}, is nowhere");
            }
            foreach (Proposal::query()->waiting()->with('line')->whereIn('line_id', $lines)->get() as $proposal) {
                $proposal->root === $proposal->line?->root || throw Broken::law('A side line is what is proposed', $kind);
                DB::table('proposal_states')->where(['proposal_id' => $proposal->id, 'number' => $proposal->stands, 'root' => $proposal->root])->exists() || throw Broken::law('What is proposed is known as it stood', $kind);
            }
            foreach ($lines === [] ? [] : Version::query()->whereIn('item_id', $lines)->orderBy('id')->get()->groupBy('item_id') as $of => $versions) {
                $versions->pluck('number')->all() === range(1, count($versions)) || throw Broken::law('Numbers never go back, and what is not kept is known', "a side line of the {$kind}");
            }
        }
    }
}
