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
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** People propose instead of writing, others answer, and the item goes on meanwhile. */
final class Proposing
{
    /** @var array<string, array<string, true>> kind => tags that were written on side lines and answered with a yes */
    private array $yes = [];

    /** @var array<string, array<string, true>> kind => tags that their authors took away again there */
    private array $replaced = [];

    /** @var array<string, array<mixed>> kind => what a browser would send of the page that a visitor was shown last */
    private array $shown = [];

    /** @var Closure(string): list<array{action: string, fields: string, button: string}> what the forms of a page would send */
    private Closure $forms;

    /** @var array<string, Window> by person and kind */
    private array $windows = [];

    public function __construct(private readonly World $world)
    {
        $this->forms = require __DIR__.'/../answers/forms.php';
    }

    public function propose(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        $begun = $this->world->as($step->who)->post(route('proposals.begin', $item));
        if ($step->item === 'file' || ! $this->world->mayWrite($step->who)) {
            in_array($begun->getStatusCode(), [403, 404], true)
                || throw Broken::law('Only who may propose proposes', "{$step->who} was answered {$begun->getStatusCode()}");

            return;
        }
        $root = $item->root;
        $this->world->allowed($begun, 'proposing');
        $item->refresh()->root === $root || throw Broken::law('Proposing changes nothing', $step->item);
        $line = Proposal::lineFor($this->world->people[$step->who], $item)->line
        ?? throw Broken::law('Who proposes has a side line', "{$step->who} for the {$step->item}");
        $this->world->allowed($this->world->as($step->who)->get(route('item', $line)), 'opening a side line');
        $window = $this->window($step, $line, $chance);
        $had = Ledger::tags($window->known);
        $window->now = $this->world->writing->pen($chance, $step->item, $step->who)->write($window->now);
        if (! $window->isDirty()) {
            return;
        }
        $has = Ledger::tags($window->now);
        $row = Kinds::named($step->item)->grid()?->row;
        $answer = $this->world->as($step->who)->putJson(route('state.save', $line), $window->sending($row));
        $answer->getStatusCode() === 200
            || throw Broken::law(
                'No root that was handed out is refused',
                "{$step->who} on a side line of the {$step->item} was answered {$answer->getStatusCode()}: {$answer->getContent()} {$answer->exception?->getMessage()} at {$answer->exception?->getFile()}:{$answer->exception?->getLine()}",
            );
        $item->refresh()->root === $root || throw Broken::law('Proposing changes nothing', $step->item);
        $window->hear((array) $answer->json(), $row);
        $this->yes[$step->item] = ($this->yes[$step->item] ?? [])
        + array_filter($has, fn (string|int $tag) => Ledger::author((string) $tag) === $step->who, ARRAY_FILTER_USE_KEY);
        $this->replaced[$step->item] = ($this->replaced[$step->item] ?? []) + array_diff_key($had, $has);
    }

    /** The one of before, as long as the same line is written; or opened again. */
    private function window(Step $step, Item $line, Chance $chance): Window
    {
        $at = "{$step->who}/{$line->id}";
        if (! isset($this->windows[$at]) || $this->windows[$at]->sent !== null || $chance->once(3)) {
            $state = $this->world->allowed($this->world->as($step->who)->getJson(route('state', $line)), 'opening a side line');
            $tree = Window::read(array_values((array) $state->json('content')));
            $this->windows[$at] = new Window(
                $step->who,
                $step->item,
                'p'.substr($step->who, 0, 1).$line->id.'n'.count($this->windows).($this->windows[$at]->epoch ?? 0),
                (string) $state->json('root'),
                $tree,
                $tree,
                (int) $state->json('number'),
            );
        }

        return $this->windows[$at];
    }

    /**
     * An owner gives a link, or there is one; with it, and no account, somebody proposes over the state that they were shown, or over one
     * of before.
     */
    public function visit(Step $step, Chance $chance): void
    {
        $item = $this->world->items[$step->item]->refresh();
        $isOwner = $item->shelf
            ->memberships()
            ->where('user_id', $this->world->people[$step->who]->id)
            ->value('role') === Role::Owner;
        $given = $this->world
            ->as($step->who)
            ->post(route('proposals.link', $item), ['days' => 1 + $chance->under(3), 'most' => 1 + $chance->under(4)]);
        $given->isRedirect()
            && ! $isOwner
            && throw Broken::law('Only owners let somebody without an account propose', "{$step->who} made a link");
        $link = ProposalLink::query()->open()->where('item_id', $item->id)->orderByDesc('id')->first();
        if ($link === null) {
            return;
        }
        auth()->forgetGuards();
        $page = $this->world->http->get(route('visitor', $link->token));
        if ($page->getStatusCode() === 410) {
            Gate::forUser($link->user)->allows('letPropose', $item)
                && throw Broken::law('A link leads on as long as whoever gave it may give it', $step->item);

            return;
        }
        $this->world->allowed($page, 'proposing by a link');
        $forms = array_values(
            array_filter(
                ($this->forms)((string) $page->getContent()),
                fn (array $form) => $form['action'] === route('visitor.send', $link->token),
            ),
        );
        parse_str($forms[0]['fields'] ?? '', $now);
        // Some write for long.
        $fields = $chance->once(3) ? $this->shown[$step->item] ?? $now : $now;
        $this->shown[$step->item] = $now;
        $written = $this->somewhere($fields, $chance);
        if ($written === null) {
            return;
        }
        $tag = $this->world->writing->pen($chance, $step->item, 'visitor')->tag();
        $root = $item->root;
        $had = $this->visitors($item);
        auth()->forgetGuards();
        $parts = (array) $fields['parts'];
        $parts[$written[0]][$written[1]] = "By a visitor {$tag}";
        $sent = $this->world->http->post(route('visitor.send', $link->token), ['name' => 'Dara Finch', 'parts' => $parts] + $fields);
        $item->refresh()->root === $root || throw Broken::law('Proposing changes nothing', $step->item);
        if ($sent->getStatusCode() === 422) {
            str_contains((string) $sent->getContent(), $tag)
                || throw Broken::law('What somebody typed stays', "{$tag} is not on the page that says no");

            return;
        }
        $this->world->allowed($sent, 'proposing by a link');
        $this->yes[$step->item][$tag] = true;
        $this->replaced[$step->item] = ($this->replaced[$step->item] ?? []) + array_diff_key($had, $this->visitors($item));
        $this->nothingElse($item, (string) $fields['base'], $written);
    }

    /**
     * One of the fields of a page that somebody may write a text in.
     *
     * @param  array<mixed>  $fields
     * @return array{string, string}|null part and field
     */
    private function somewhere(array $fields, Chance $chance): ?array
    {
        $places = [];
        foreach ((array) ($fields['parts'] ?? []) as $id => $of) {
            foreach ((array) $of as $name => $value) {
                $places[] = [(string) $id, (string) $name];
            }
        }

        return $places === [] ? null : $chance->of($places);
    }

    /**
     * Of all that a browser sends of a page, what was written is what changes.
     *
     * @param  array{string, string}  $written
     */
    private function nothingElse(Item $item, string $base, array $written): void
    {
        $line = Proposal::lineFor($this->world->people['visitor'], $item, 'Dara Finch')?->line;
        $root = $line === null
            ? null
            : DB::table('sendings')
                ->where('item_id', $line->id)
                ->where('base', $base)
                ->orderByDesc('at')
                ->orderByDesc('rowid')
                ->value('root');
        if (! is_string($root)) {
            return;
        }
        $kind = $item->kind();
        [$shown, $sent] = array_map(fn (string $of): PartTree => Consequences::withoutResults($kind, $this->world->states->tree($of)), [
            $base,
            $root,
        ]);
        foreach ([...$shown->byId(), ...$sent->byId()] as $id => $part) {
            $differs = ! $shown->has((string) $id)
            || ! $sent->has((string) $id)
            || $shown->get((string) $id)->record() !== $sent->get((string) $id)->record();
            // What is written below the last row is a row of its own.
            $isNew = ! $shown->has($written[0]) && ! $shown->has((string) $id);
            $differs
                && $id !== $written[0]
                && ! $isNew
                && throw Broken::law(
                    'What a visitor did not write stays as it was',
                    "{$id} of the {$item->kind}, who wrote {$written[1]} of {$written[0]}",
                );
        }
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
            $page->isOk() === $seen
                || throw Broken::law(
                    'Nobody sees what is not theirs to see',
                    "{$step->who} was answered {$page->getStatusCode()} of what is proposed for the {$step->item}",
                );
        } else {
            $this->world->allowed($page, 'looking at what is proposed');
            $this->world->allowed(
                $this->world->as($step->who)->get(route('proposals', [$item, 'at' => 1 + $chance->under($item->head)])),
                'looking at what was proposed',
                410,
            );
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
        $keys = $lines[1] === [] || $chance->once(3) ? '' : ' '.$chance->of($lines[1]);
        $exact = $proposal->base === $item->root && $proposal->met === [] ? $proposal->root : null;
        $before = $item->root;
        $answer = $this->world
            ->as($step->who)
            ->put(route('proposals.answer', [$item, $proposal]), ['do' => $do.$keys, 'seen' => $item->head, 'state' => $proposal->root]);
        $item->refresh();
        if (! $this->world->mayWrite($step->who)) {
            (in_array($answer->getStatusCode(), [403, 404], true) && $item->root === $before)
                || throw Broken::law('Only who may write answers what is proposed', "{$step->who} was answered {$answer->getStatusCode()}");

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
        $keys !== ''
            || $exact === null
            || $state !== ProposalState::Accepted
            || $item->root === $exact
            || throw Broken::law('Accepting all gives what was proposed', "{$item->root}, not {$exact}, for the {$step->item}");
    }

    /** @param array<int, Proposal> $open */
    private function answerAll(Step $step, Chance $chance, Item $item, array $open): void
    {
        $waiting = array_filter($open, fn (Proposal $proposal) => $proposal->state === ProposalState::Waiting);
        $page = $this->world
            ->as($step->who)
            ->get(route('proposals', [$item, 'of' => 'everybody', ...$chance->once(3) ? ['at' => 1 + $chance->under($item->head)] : []]));
        $states = array_column(
            array_map(fn (Proposal $proposal) => [$proposal->id, $proposal->root], array_slice($waiting, 0, Everybody::MOST)),
            1,
            0,
        );
        if ($states === []) {
            return;
        }
        $do = $chance->of(['accepted', 'declined']);
        [$before, $head] = [$item->root, $item->head];
        $answer = $this->world->as($step->who)->put(route('proposals.answer-all', $item), ['do' => $do, 'states' => $states]);
        $item->refresh();
        if (! $this->world->mayWrite($step->who)) {
            (in_array($answer->getStatusCode(), [403, 404], true) && $item->root === $before)
                || throw Broken::law('Only who may write answers what is proposed', "{$step->who} was answered {$answer->getStatusCode()}");

            return;
        }
        $this->world->allowed($page, 'looking at what everybody proposes', 410);
        $this->world->allowed($answer, 'answering what everybody proposes');
        $do === 'accepted' || $item->root === $before || throw Broken::law('What is declined changes nothing', $step->item);
        foreach (Version::query()->where('item_id', $item->id)->where('number', '>', $head)->orderBy('number')->get() as $version) {
            $this->world->tookAway(
                $step->item,
                (string) array_search($version->user_id, array_map(fn ($person) => $person->id, $this->world->people), true),
                $before,
                $version->root,
            );
            $before = $version->root;
        }
    }

    private function again(Step $step, Proposal $answered, string $author): void
    {
        $taken = $this->world->as($step->who)->post(route('proposals.again', [$answered->item, $answered]));
        if ($author !== $step->who || ! $this->world->mayWrite($step->who)) {
            in_array($taken->getStatusCode(), [403, 404], true)
                || throw Broken::law('Only who proposed it proposes it again', "{$step->who} was answered {$taken->getStatusCode()}");

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
            foreach (
                $missing === []
                    ? []
                    : Version::query()
                        ->whereIn('item_id', [...$lines, $item->id])
                        ->orderByDesc('id')
                        ->pluck('root')
                        ->unique() as $root
            ) {
                $missing = array_diff_key($missing, Ledger::tags($this->world->states->tree((string) $root)));
            }
            $held = $missing === [] ? '' : implode("\n", HeldEdit::query()->whereIn('item_id', $lines)->pluck('conflict')->all());
            foreach ($missing as $tag => $unused) {
                isset($this->world->ledger->gone[$kind][$tag])
                    || str_contains($held, ltrim((string) $tag, '#'))
                    || throw Broken::law(
                        'What was answered with a yes is in a state or waits',
                        "{$tag}, proposed for the {$kind}, is nowhere",
                    );
            }
            foreach (Proposal::query()->waiting()->with('line')->whereIn('line_id', $lines)->get() as $proposal) {
                $proposal->root === $proposal->line?->root || throw Broken::law('A side line is what is proposed', $kind);
                DB::table('proposal_states')
                    ->where(['proposal_id' => $proposal->id, 'number' => $proposal->stands, 'root' => $proposal->root])
                    ->exists() || throw Broken::law('What is proposed is known as it stood', $kind);
            }
            foreach (
                $lines === [] ? [] : Version::query()->whereIn('item_id', $lines)->orderBy('id')->get()->groupBy('item_id') as $of => $versions
            ) {
                $versions->pluck('number')->all() === range(1, count($versions))
                    || throw Broken::law('Numbers never go back, and what is not kept is known', "a side line of the {$kind}");
            }
        }
    }
}
