<?php

declare(strict_types=1);

namespace Tests\World;

use App\Keeping\Exempt;
use App\Making\Making;
use App\Making\Offered;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Presence;
use App\Models\Proposal;
use App\Models\Publishing;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\Store\WhatIsKept;
use App\View\Sources\Files;
use App\Words\Ways;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Choice;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * People at work, over HTTP as their browsers send it. Each deed checks what can be seen at once; {@see Laws} looks at the whole.
 */
final class World
{
    public readonly Ledger $ledger;

    public readonly ShelfDays $days;

    public readonly Talking $talking;

    public readonly Proposing $proposing;

    public readonly Housekeeping $house;

    private readonly OwnPages $own;

    /** @var array<string, Window> */
    private array $windows = [];

    private int $count = 1000;

    /** @var array<string, true> */
    private array $followed = [];

    /**
     * @param  array<string, User>  $people  by short name; the visitor has none
     * @param  array<string, Item>  $items  by kind
     * @param  array<string, Item>  $followers  datasets, by the kind that they follow
     * @param  Item|null  $figures  a report that counts what is in them
     */
    public function __construct(public readonly TestCase $http, public readonly States $states, public array $people, public array $items, private readonly Shelf $shelf, public readonly array $followers = [], public readonly ?Item $figures = null)
    {
        $this->ledger = new Ledger;
        $this->days = new ShelfDays($this, $shelf);
        $this->talking = new Talking($this);
        $this->proposing = new Proposing($this);
        $this->house = new Housekeeping($this, $shelf);
        $this->own = new OwnPages($this, $shelf);
    }

    public function do(Step $step): void
    {
        // Between two deeds passes a second or two, now and then a minute or an hour.
        $chance = new Chance($step->seed);
        Date::setTestNow(Date::now()->addSeconds($step->deed === Deed::Wait ? $chance->of([30, 61, 400, 4000]) : 1 + $chance->under(3)));
        if ($this->isLost($step->item) && ! $step->deed->isTriedOnLost()) {
            return;
        }
        match ($step->deed) {
            Deed::Wait => null,
            Deed::Write => $this->write($step, $chance),
            Deed::Send, Deed::Keep => $this->send($step, $step->deed === Deed::Keep, ! $chance->once(4)),
            Deed::SendUnanswered => $this->send($step, false, null),
            Deed::Hear => $this->hear($step),
            Deed::Look => $this->look($step),
            Deed::Reload => $this->reload($step),
            Deed::Milestone => $this->milestone($step),
            Deed::Restore, Deed::Pick => $this->restore($step, $chance),
            Deed::PartBack => $this->partBack($step, $chance),
            Deed::TakeBack => $this->takeBack($step),
            Deed::TakeOut => $this->takeOut($step, $chance),
            Deed::CopyOut => $this->copyOut($step, $chance),
            Deed::Settle => $this->settle($step, $chance),
            Deed::Publish => $this->publish($step),
            Deed::Answer => $this->answer($step, $chance),
            Deed::EditEntry => $this->editEntry($step, $chance),
            Deed::Rights => $this->rights($step, $chance),
            Deed::LookBack => $this->lookBack($step, $chance),
            Deed::Trespass => $this->trespass($step, $chance),
            Deed::AskForYes => $this->askForYes(),
            Deed::Decide => $this->decide($step, $chance),
            Deed::Rename => $this->rename($step, $chance),
            Deed::Follow => $this->follow($step, $chance),
            Deed::TakeAway => $this->takeAway($step, $chance),
            Deed::Tidy => $this->tidy($chance),
            Deed::Night => $this->night($chance),
            Deed::House => $this->house->keep($step, $chance),
            Deed::Picture => $this->picture($step, $chance),
            Deed::Lose => $this->lose($step),
            Deed::Thin => $this->thin($step, $chance),
            Deed::Pin => $this->pin($step, $chance),
            Deed::Talk => $this->talking->talk($step, $chance),
            Deed::Propose => $this->proposing->propose($step, $chance),
            Deed::Respond => $this->proposing->answer($step, $chance),
            Deed::Visit => $this->proposing->visit($step, $chance),
            Deed::SwitchHistory => $this->switchHistory($step),
            Deed::BringFile => $this->bringFile($step, $chance),
            Deed::OwnPage => $this->own->write($step, $chance),
            Deed::Ways => $this->ways($step, $chance),
            Deed::BringDay => $this->mayWrite($step->who) ? $this->days->bring($step->who, $chance) : null,
        };
        $this->ledger->writtenOver($this->items);
    }

    /**
     * A version goes out as a file and comes in as the next one, at once or after others went on; of the newest, as JSON, nothing is
     * another thing by it.
     */
    private function bringFile(Step $step, Chance $chance): void
    {
        $item = $this->item($step);
        $endings = $item->room(Making::class)::ENDINGS;
        $formats = array_values(array_intersect(array_map(strval(...), array_keys($item->room(Files::class)->named())), $endings));
        if (! $this->mayWrite($step->who) || $formats === []) {
            return;
        }
        [$format, $number] = [$chance->of($formats), $chance->once(3) ? $chance->of($this->kept($item)) : $item->head];
        $out = $this->allowed($this->as($step->who)->get(route('download', [$item, $number, $format])), "downloading {$number} as {$format}", 302);
        if ($out->getStatusCode() === 302) {
            return;
        }
        $bytes = $out->baseResponse instanceof StreamedResponse ? $out->streamedContent() : (string) $out->getContent();
        [$before, $isNewest] = [$item->root, $number === $item->head];
        $this->ledger->figured += Ledger::results($this->states->tree((string) $item->versions()->where('number', $number)->value('root')));
        $tab = $item->hasTabs() && in_array($format, ['csv', 'tsv'], true) ? ['tab' => $this->states->tree($item->root)->parts[0]->id ?? ''] : [];
        $this->allowed($this->as($step->who)->post(route('item.file.store', $item), $tab + ['file' => UploadedFile::fake()->createWithContent("back.{$format}", $bytes), 'sure' => 1]), "bringing a file as {$format}");
        $item->refresh();
        // In a table, a record that holds nothing is no line.
        $isWhole = $step->item !== 'dataset' || array_filter($this->states->tree($before)->parts, fn (Part $part) => $part->role === 'record' && $part->fields === []) === [];
        $isSame = $format === 'json' || ($this->row($step->item) !== null && $isWhole) ? $item->root === $before : Ledger::tags($this->states->tree($item->root)) == Ledger::tags($this->states->tree($before));
        if ($isNewest && ! $isSame) {
            $differs = array_udiff($this->states->tree($before)->parts, $this->states->tree($item->root)->parts, fn (Part $one, Part $two): int => $one->record() <=> $two->record());
            throw Broken::law('What goes out comes in the same', "{$step->item} as {$format}: ".implode(' ', array_map(fn (Part $part) => $part->record(), array_slice($differs, 0, 3))));
        }
        foreach (array_diff_key(Ledger::names($this->states->tree($before)), Ledger::names($this->states->tree($item->root))) as $tag => $unused) {
            $this->ledger->restated[$step->item][$tag][] = $step->who;
        }
        $this->tookAway($step->item, $step->who, $before, $item->root);
    }

    /** What is said is said in another way from now on; what is kept is the same. */
    private function ways(Step $step, Chance $chance): void
    {
        $person = $this->people[$step->who];
        $sent = ['name' => $person->name, 'colour' => $person->colour, 'look' => '', 'zone' => $chance->of(['', 'Pacific/Auckland', 'America/St_Johns', 'Europe/Lisbon']), 'numbers' => $chance->of(array_keys(Ways::NUMBERS)), 'dates' => $chance->of(array_keys(Ways::DATES))];
        $this->allowed($this->as($step->who)->put(route('account.update'), $sent), 'changing one’s account');
    }

    /** All windows send what they have and take in what is there, until nothing is left to send. */
    public function comeHome(): void
    {
        foreach (array_filter(array_keys($this->items), $this->isLost(...)) as $item) {
            $this->lose(new Step('ines', 1, $item, Deed::Lose, 1));
        }
        foreach ($this->windows as $window) {
            for ($tries = 0; $tries < 6 && ($window->sent !== null || $window->isDirty()); $tries++) {
                $window->sent === null ? $this->put($window, [], true) : $this->answered($window);
                $this->ledger->writtenOver($this->items);
                if (! $this->mayWrite($window->who)) {
                    break;
                }
            }
        }
        foreach ($this->windows as $window) {
            if ($window->sent === null && ! $window->isDirty()) {
                $this->bring($window);
            }
        }
    }

    /** @return array<string, Window> */
    public function windows(): array
    {
        return $this->windows;
    }

    public function pen(Chance $chance, string $kind, string $who): Pen
    {
        return new Pen($chance, $kind, $who, fn (): int => ++$this->count);
    }

    private function window(Step $step): Window
    {
        return $this->windows["{$step->who}/{$step->window}/{$step->item}"] ??= $this->opened($step);
    }

    private function opened(Step $step): Window
    {
        $state = $this->as($step->who)->getJson(route('state', $this->item($step)));
        $this->allowed($state, 'opening');
        $tree = Window::read($state->json('content'));

        return new Window($step->who, $step->item, substr($step->who, 0, 1).$step->window.substr($step->item, 0, 2).count($this->windows), (string) $state->json('root'), $tree, $tree, (int) $state->json('number'));
    }

    private function item(Step $step): Item
    {
        return $this->items[$step->item]->refresh();
    }

    private function row(string $kind): ?string
    {
        return Kinds::named($kind)->grid()?->row;
    }

    public function as(string $who): TestCase
    {
        $this->shelf->unsetRelation('memberships');

        return $this->http->actingAs($this->people[$who]->refresh());
    }

    public function mayWrite(string $who): bool
    {
        return in_array($this->shelf->memberships()->where('user_id', $this->people[$who]->id)->value('role')?->value, ['owner', 'editor'], true);
    }

    public function isViewer(string $who): bool
    {
        return $this->shelf->memberships()->where('user_id', $this->people[$who]->id)->value('role')?->value === 'viewer';
    }

    public function isLost(string $item): bool
    {
        return isset($this->items[$item]) && $this->items[$item]->refresh()->deleted_at !== null;
    }

    /** @return non-empty-list<int> the versions that are kept, ascending */
    public function kept(Item $item): array
    {
        $numbers = array_map(intval(...), array_values($item->versions()->orderBy('number')->pluck('number')->all()));

        return $numbers === [] ? throw Broken::law('A version is kept', $item->kind) : $numbers;
    }

    private function pin(Step $step, Chance $chance): void
    {
        if ($this->mayWrite($step->who)) {
            $item = $this->item($step);
            $this->allowed($this->as($step->who)->put(route('version.pin', [$item, $chance->of($this->kept($item))]), ['pin' => $chance->under(4) > 0 ? 1 : 0]), 'pinning');
        }
    }

    /**
     * The owner lets versions go: by a rule, or some by hand. What something rests on stays, and every state that is kept is what it was.
     */
    private function thin(Step $step, Chance $chance): void
    {
        $item = $this->item($step);
        $roots = $item->versions()->pluck('root', 'number')->all();
        $exempt = (new Exempt($item))->numbers;
        $this->allowed($this->as('ines')->get(route('keeping', $item)), 'looking at what is kept');
        if ($chance->once(2)) {
            $this->allowed($this->as('ines')->post(route('keeping.say', $item), ['leave' => 60, 'most' => 10, 'do' => 'keep']), 'saying what is kept');
            // Fewer bytes than the form offers: nothing here is large.
            $chance->once(2) && WhatIsKept::say($this->people['ines'], [...WhatIsKept::item($item)->values, 'most' => null, 'bytes' => 500 * (1 + $chance->under(10))], item: $item);
            $this->allowed($this->as('ines')->post(route('keeping.now', $item)), 'letting versions go');
            $this->allowed($this->as('ines')->post(route('keeping.say', $item), ['leave' => 60, 'do' => 'above']), 'saying what is kept');
        } else {
            $from = 1 + $chance->under($item->head);
            $this->allowed($this->as('ines')->delete(route('versions.delete', $item), ['from' => $from, 'to' => $from + $chance->under(6), 'reason' => 'So it is']), 'deleting versions');
        }
        $this->thinned($step->item, $roots, $exempt);
    }

    /**
     * @param  array<int, string>  $roots  of the versions that there were
     * @param  array<int, mixed>  $exempt  those that something rested on
     */
    private function thinned(string $of, array $roots, array $exempt): void
    {
        $kept = $this->items[$of]->refresh()->versions()->pluck('root', 'number')->all();
        array_diff_key($exempt, $kept) === [] || throw Broken::law('What something rests on is there', $of.' '.implode(', ', array_keys(array_diff_key($exempt, $kept))));
        $kept === array_intersect_key($roots, $kept) || throw Broken::law('A version left behind never changes', $of);
        foreach (array_diff_key($roots, $kept) as $root) {
            $this->ledger->gone[$of] = ($this->ledger->gone[$of] ?? []) + Ledger::tags($this->states->tree($root));
        }
    }

    /** Into Lost & found, or out of it as it was. What readers see goes by who may publish alone. */
    private function lose(Step $step): void
    {
        $item = $this->item($step);
        if (! $this->mayWrite($step->who)) {
            return;
        }
        if ($item->deleted_at === null) {
            $this->allowed($this->as($step->who)->get(route('item.delete', $item)), 'asking what hangs on it', 403);
            $this->allowed($this->as($step->who)->delete(route('item.destroy', $item)), 'deleting', 403);
            if ($item->refresh()->deleted_at !== null) {
                $this->as('rafi')->get(route('item', $item))->getStatusCode() === 404 || throw Broken::law('Nobody sees what is not theirs to see', "rafi met the deleted {$step->item}");
                $item->address === null || $this->http->get("/read/{$item->address}")->getStatusCode() === 404 || throw Broken::law('Nobody sees what is not theirs to see', "everybody met the deleted {$step->item}");
                $this->ledger->lost[$step->item] = [$item->root, $item->head, $item->title, $item->live_id, $item->address];
            }

            return;
        }
        $this->allowed($this->as($step->who)->get(route('lost', $this->shelf)), 'looking at Lost & found');
        $this->allowed($this->as($step->who)->put(route('item.back', $item)), 'bringing back', 403);
        $item->refresh();
        if ($item->deleted_at === null && $this->ledger->lost[$step->item] !== [$item->root, $item->head, $item->title, $item->live_id, $item->address]) {
            throw Broken::law('What comes back is as it was', $step->item);
        }
    }

    /** Drafts are for who writes, and so is what was deleted. */
    public function sees(string $who, string $item): bool
    {
        return $this->mayWrite($who) || (! Kinds::named($item)->isPublishable() && ! $this->isLost($item) && $this->shelf->memberships()->where('user_id', $this->people[$who]->id)->exists());
    }

    private function write(Step $step, Chance $chance): void
    {
        if (! $this->mayWrite($step->who)) {
            return;
        }
        $window = $this->window($step);
        $window->now = $this->pen($chance, $step->item, $step->who)->write($window->now);
    }

    /** A picture that nobody else put in, or the same one once more. */
    private function picture(Step $step, Chance $chance): void
    {
        if (! $this->mayWrite($step->who) || $step->item !== 'document') {
            return;
        }
        $window = $this->window($step);
        $kept = $this->allowed($this->as($step->who)->post(route('picture.store', $this->item($step)), ['picture' => UploadedFile::fake()->image('lamp.png', 4 + $chance->under(9), 4)], ['Accept' => 'application/json']), 'bringing a picture')->json();
        $parts = $window->now->parts;
        $places = [...array_keys(array_filter($parts, fn (Part $part) => $part->depth === 0)), count($parts)];
        $id = 'pic'.base_convert((string) ++$this->count, 10, 36);
        array_splice($parts, $chance->of($places), 0, [new Part($id, 'picture', 0, ['alt' => '', ...$kept])]);
        $window->now = PartTree::of($parts);
    }

    /** @param bool|null $hears whether the answer comes at once, later (false), or never (null) */
    private function send(Step $step, bool $keep, ?bool $hears): void
    {
        if (! $this->sees($step->who, $step->item)) {
            return;
        }
        $window = $this->window($step);
        if ($window->sent === null && ($window->isDirty() || $keep)) {
            $this->put($window, $keep ? ['keep' => true] : [], $hears);
        }
    }

    /** @param array<string, mixed> $more */
    private function put(Window $window, array $more, ?bool $hears): void
    {
        $row = $this->row($window->item);
        $may = $this->mayWrite($window->who) && ! $this->isLost($window->item);
        $had = Ledger::tags($window->known);
        $has = Ledger::tags($window->now);
        $answer = $this->as($window->who)->putJson(route('state.save', $this->items[$window->item]), $window->sending($row) + $more);
        if (! $may) {
            $window->sent = null;
            $answer->getStatusCode() === 403 || $answer->getStatusCode() === 404 || throw Broken::law('Only who may write writes', "{$window->who} was answered {$answer->getStatusCode()}");

            return;
        }
        if ($answer->getStatusCode() === 409 && $window->isForgotten()) {
            // Its browser offers it as an item of its own.
            unset($this->windows[(string) array_search($window, $this->windows, true)]);

            return;
        }
        $answer->getStatusCode() === 200 || throw Broken::law('No root that was handed out is refused', "{$window->client()} of {$window->who} was answered {$answer->getStatusCode()}: {$answer->getContent()} {$answer->exception?->getMessage()} at {$answer->exception?->getFile()}:{$answer->exception?->getLine()}");
        $this->ledger->sent($window->item, $window->who, $had + $window->unheard, $has);
        $this->ledger->saidYes($window->item, $has);
        $window->unheard = $hears === true ? [] : $window->unheard + $has;
        $window->sent = $hears === null ? null : [$window->now, $answer->json()];
        if ($hears === true) {
            $this->answered($window);
        }
    }

    private function answered(Window $window): void
    {
        if ($window->sent !== null && $window->sent[1] !== null) {
            $window->unheard = [];
            $window->hear($window->sent[1], $this->row($window->item));
            $this->sameAsStored($window);
        }
    }

    private function hear(Step $step): void
    {
        if ($this->sees($step->who, $step->item)) {
            $this->answered($this->window($step));
        }
    }

    private function look(Step $step): void
    {
        if (! $this->sees($step->who, $step->item)) {
            return;
        }
        $window = $this->window($step);
        $answer = $this->allowed($this->as($step->who)->getJson(route('live', [$this->item($step), 'client' => $window->name, 'root' => $window->base])), 'asking for news')->json();
        // Whoever is told that nothing moved, has missed nothing.
        parse_str((string) parse_url((string) $answer['shortly'], PHP_URL_QUERY), $shortly);
        $news = [(string) json_encode($shortly['news'] ?? ''), array_intersect_key($answer, array_flip(['root', 'number', 'title', 'held', 'people', 'data', 'talk']))];
        if ($window->heard !== null && $window->heard[0] === $news[0] && $window->heard[1] !== $news[1]) {
            throw Broken::law('Whoever is told that nothing moved has missed nothing', "{$step->who} at {$step->item}: ".json_encode(array_map(null, $window->heard[1], $news[1])));
        }
        $window->heard = $news;
        if ($window->sent === null && ! $window->isDirty()) {
            $this->bring($window);
        } elseif ($window->sent === null) {
            $this->put($window, [], true);
        }
    }

    private function bring(Window $window): void
    {
        if (! $this->sees($window->who, $window->item)) {
            return;
        }
        $row = $this->row($window->item);
        $state = $this->as($window->who)->getJson(route('state', [$this->items[$window->item], ...($row === null ? [] : ['since' => $window->base])]));
        $this->allowed($state, 'fetching the newest state');
        $newest = $state->json('content') !== null ? Window::read($state->json('content')) : Window::brought($window->known, $state->json('edits'));
        $window->follow((string) $state->json('root'), (int) $state->json('number'), $newest);
        $this->sameAsStored($window);
    }

    private function sameAsStored(Window $window): void
    {
        $stored = $this->states->tree($window->base);
        if (! $window->known->equals($stored)) {
            $at = 0;
            for (; isset($window->known->parts[$at], $stored->parts[$at]) && $window->known->parts[$at]->record() === $stored->parts[$at]->record(); $at++);
            throw Broken::law('Two windows that see the same root show the same', "{$window->who} sees of the {$window->item} ".(($window->known->parts[$at] ?? null)?->record() ?? 'nothing').' where '.(($stored->parts[$at] ?? null)?->record() ?? 'nothing').' is stored');
        }
    }

    private function reload(Step $step): void
    {
        $key = "{$step->who}/{$step->window}/{$step->item}";
        $window = $this->windows[$key] ?? null;
        // What is not sent is kept by the browser; a window with an answer under way is left alone.
        if ($window !== null && $window->sent === null && ! $window->isDirty()) {
            unset($this->windows[$key]);
        }
        if ($this->sees($step->who, $step->item)) {
            $this->window($step);
        }
    }

    private function milestone(Step $step): void
    {
        if ($this->mayWrite($step->who)) {
            $item = $this->item($step);
            $this->allowed($this->as($step->who)->put(route('milestone.mark', [$item, $item->head]), ['name' => "Agreed {$step->seed}"]), 'naming a milestone');
        }
    }

    private function restore(Step $step, Chance $chance): void
    {
        $item = $this->item($step);
        if (! $this->mayWrite($step->who) || $item->head < 2) {
            return;
        }
        $number = $chance->of(array_slice($this->kept($item), 0, -1));
        $version = Version::query()->where(['item_id' => $item->id, 'number' => $number])->firstOrFail();
        $plan = $this->allowed($this->as($step->who)->get(route('restore', [$item, $number])), 'looking at a restore plan');
        $before = $item->root;
        $pick = [];
        if ($step->deed === Deed::Pick) {
            $lines = substr_count((string) $plan->getContent(), 'name="pick[]"');
            if ($lines < 2) {
                return;
            }
            $pick = ['lines' => $lines, 'pick' => [$chance->under($lines)]];
        }
        $chunks = DB::table('chunks')->count();
        $this->allowed($this->as($step->who)->post(route('restore.seen', [$item, $number]), ['seen' => $item->head] + $pick), 'looking how it will be');
        [$item->refresh()->root, DB::table('chunks')->count()] === [$before, $chunks] || throw Broken::law('Looking writes nothing', "version {$number} of the {$step->item}");
        $this->allowed($this->as($step->who)->post(route('restore.store', [$item, $number]), ['seen' => $item->head] + $pick), 'restoring');
        $item->refresh();
        if ($pick === [] && $item->root !== $version->root) {
            throw Broken::law('Restoring N gives N to the byte', "version {$number} of the {$step->item} was {$version->root}, it became {$item->root}");
        }
        $this->tookAway($step->item, $step->who, $before, $item->root);
    }

    private function partBack(Step $step, Chance $chance): void
    {
        $item = $this->item($step);
        if (! $this->mayWrite($step->who) || $item->head < 2) {
            return;
        }
        $number = $chance->of($this->kept($item));
        $tree = $this->states->tree((string) Version::query()->where(['item_id' => $item->id, 'number' => $number])->value('root'));
        if ($tree->parts === []) {
            return;
        }
        $part = $chance->of($tree->parts)->id;
        $before = $item->root;
        $page = $this->as($step->who)->get(route('part', [$item, $part]));
        $page->getStatusCode() === 404 || $this->allowed($page, 'looking at the history of a part');
        $this->allowed($this->as($step->who)->post(route('part.restore', [$item, $part, $number]), ['seen' => $item->head]), 'bringing back a part', 404, 409);
        $this->tookAway($step->item, $step->who, $before, $item->refresh()->root);
    }

    private function takeBack(Step $step): void
    {
        $item = $this->item($step);
        $newest = Version::query()->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail();
        if (! $this->mayWrite($step->who) || ! $newest->cause->canBeTakenBack() || $item->head < 2) {
            return;
        }
        $was = (string) Version::query()->where(['item_id' => $item->id, 'number' => $item->head - 1])->value('root');
        $before = $item->root;
        $roots = array_map(fn (Item $each) => $each->refresh()->root, $this->items);
        $this->allowed($this->as($step->who)->post(route('restore.undo', [$item, $item->head])), 'taking a restore back', 403);
        // What came back together with it goes with it.
        if ($newest->with_id !== null) {
            $this->days->remember($this->items);
            foreach ($this->items as $kind => $other) {
                $this->tookAway($kind, $step->who, $roots[$kind], $other->refresh()->root);
            }
            if ($item->refresh()->head === $newest->number) {
                return;
            }
        }
        $item->refresh()->root === $was || throw Broken::law('Taking back gives what was', "version {$newest->number} of the {$step->item} was taken back");
        $this->tookAway($step->item, $step->who, $before, $item->root);
    }

    private function takeOut(Step $step, Chance $chance): void
    {
        $item = $this->item($step);
        if (! $this->mayWrite($step->who) || $item->head < 3) {
            return;
        }
        $from = $chance->under($item->head - 1);
        $editors = Version::query()->where('item_id', $item->id)->where('number', '>', max(1, $from))->orderBy('user_id')->distinct()->pluck('user_id')->all();
        if ($editors === []) {
            return;
        }
        $asked = ['from' => $from, 'to' => $item->head, 'by' => (string) $chance->of($editors)];
        $before = $item->root;
        $plan = (string) $this->allowed($this->as($step->who)->get(route('take-out', [$item, ...$asked])), 'looking at what would be taken out')->getContent();
        preg_match('/name="lines" value="(\d+)"/', $plan, $lines);
        $pick = ! isset($lines[1]) || $chance->once(2) ? [] : ['lines' => (int) $lines[1], 'pick' => [$chance->under((int) $lines[1])]];
        $this->allowed($this->as($step->who)->post(route('take-out.seen', $item), $asked + ['seen' => $item->head] + $pick), 'looking how it will be without');
        $item->refresh()->root === $before || throw Broken::law('Looking changes nothing', $step->item);
        $this->allowed($this->as($step->who)->post(route('take-out.store', $item), $asked + ['seen' => $item->head] + $pick), 'taking out edits');
        $this->tookAway($step->item, $step->who, $before, $item->refresh()->root);
    }

    private function copyOut(Step $step, Chance $chance): void
    {
        $item = $this->item($step);
        if (! $this->mayWrite($step->who)) {
            return;
        }
        $number = $chance->of($this->kept($item));
        $root = Version::query()->where(['item_id' => $item->id, 'number' => $number])->value('root');
        if ($chance->once(3)) {
            // Some of it alone: an item of its own that is sound, or a refusal in words.
            $parts = array_column($this->states->tree((string) $root)->parts, 'id');
            $some = $parts === [] ? 'none' : implode(',', array_map(fn () => $chance->of($parts), range(0, $chance->under(3))));
            $this->allowed($this->as($step->who)->get(route('restore', [$item, $number, 'parts' => $some])), 'looking at a plan of what was chosen', $this->isLost($step->item) ? 403 : 200);
            $this->allowed($this->as($step->who)->post(route('copy.store', [$item, $number]), ['title' => 'Some of it', 'shelf' => $this->shelf->key, 'parts' => $some]), 'copying some of it out');
        }
        $this->allowed($this->as($step->who)->post(route('copy.store', [$item, $number]), ['title' => 'A copy', 'shelf' => $this->shelf->key, 'talk' => $chance->of(['', 'open', 'all']), 'history' => $step->seed % 2, 'proposals' => $step->seed % 3 === 0 ? 1 : 0]), 'copying out');
        $copy = Item::query()->latest('id')->firstOrFail();
        if ($step->seed % 2 === 1) {
            $history = fn (Item $of): array => $of->versions()->where('number', '<=', $number)->orderBy('number')->pluck('root', 'number')->all();
            $history($copy) === $history($item) || throw Broken::law('A history goes along as it is', "version {$number} of the {$step->item}");
            $this->isLost($step->item) || (new Looking($this, $copy, $step->item))->at($this->as($step->who), new Chance($step->seed));
        }
        $copy->root === $root || $step->item === 'report' || throw Broken::law('A copy is what was copied', "version {$number} of the {$step->item}");
        if ($chance->once(2)) {
            $this->allowed($this->as('ines')->delete(route('item.destroy', $copy)), 'deleting a copy');
            $this->allowed($this->as('ines')->delete(route('item.for-good', $copy), ['name' => $copy->title]), 'deleting a copy for good');
            Item::query()->whereKey($copy->id)->exists() === false && DB::select('PRAGMA foreign_key_check') === [] || throw Broken::law('What is deleted for good leaves nothing behind', $step->item);
        }
    }

    private function settle(Step $step, Chance $chance): void
    {
        $held = HeldEdit::query()->with('item')->whereNull('settled_at')->where('user_id', $this->people[$step->who]->id)->orderBy('id')->get();
        $held = $held->filter(fn (HeldEdit $each) => $each->item->isStanding())->all();
        if ($held === [] || ! $this->mayWrite($step->who)) {
            return;
        }
        $one = $chance->of(array_values($held));
        $this->allowed($this->as($step->who)->get(route('held', [$one->item, $one])), 'looking at a held edit');
        $choice = $chance->of(Choice::for($one->meeting()->type));
        $kind = (string) array_search($one->item_id, array_map(fn (Item $item) => $item->id, $this->items), true);
        $before = $one->item->root;
        $this->allowed($this->as($step->who)->put(route('held.settle', [$one->item, $one]), ['choice' => $choice->value, 'third' => $this->pen($chance, 'document', $step->who)->tag()]), 'settling');
        $this->tookAway($kind, $step->who, $before, $one->item->refresh()->root);
    }

    private function publish(Step $step): void
    {
        $item = $this->item($step);
        if ($item->isPublishable() && $item->kind !== 'entry' && $this->mayWrite($step->who)) {
            $this->allowed($this->as($step->who)->post(route('publish.store', [$item, $item->head])), 'publishing', 403);
        }
    }

    public function answer(Step $step, Chance $chance): void
    {
        $form = $this->items['form']->refresh();
        if ($form->deleted_at !== null && $form->address !== null) {
            auth()->forgetGuards();
            $before = $form->entries()->count();
            $this->http->post(route('read.send', $form->address), ['a' => []])->getStatusCode() === 410 && $form->entries()->count() === $before || throw Broken::law('What was deleted takes no answers', 'the form');
        }
        if ($form->live === null || ! $form->is_public || $form->deleted_at !== null) {
            return;
        }
        // Page by page, as long as there is one.
        auth()->forgetGuards();
        $before = $form->entries()->count();
        $page = (string) $this->allowed($this->http->get(route('read', $form->address)), 'opening a form to answer it')->getContent();
        $pen = $this->pen($chance, 'form', 'visitor');
        for ($pages = 0; $pages < 12 && $form->entries()->count() === $before; $pages++) {
            $sent = $this->sentBy($page, route('read.send', $form->address));
            if ($sent === null) {
                return;
            }
            foreach ($this->states->tree($form->live->version->root)->parts as $part) {
                if ($part->role === 'question' && in_array($part->string('type'), ['short', 'long'], true) && isset($sent['a'][$part->id])) {
                    $sent['a'][$part->id] = $pen->tag();
                }
            }
            preg_match_all('/name="upload\[([\w-]+)\]"/', $page, $files);
            $sent['upload'] = array_map(fn (): UploadedFile => UploadedFile::fake()->image('lamp.png', 20 + $chance->under(9), 4), array_flip($files[1]));
            $page = (string) $this->allowed($this->http->post(route('read.send', $form->address), $sent), 'answering')->getContent();
        }
        $form->entries()->count() === $before + 1 || throw Broken::law('Who answers is heard', trim((string) preg_replace('/\s+/', ' ', strip_tags($page))));
    }

    /** @return array<mixed>|null what the last button of a form of a page sends that goes there: the one that leads on */
    public function sentBy(string $page, string $address): ?array
    {
        $found = array_filter((require __DIR__.'/../answers/forms.php')($page), fn (array $form) => $form['action'] === $address && ! str_contains(strtolower($form['fields']), '_method=delete'));
        parse_str(end($found)['fields'] ?? '', $sent);

        return $found === [] ? null : $sent;
    }

    private function editEntry(Step $step, Chance $chance): void
    {
        if ($this->isLost('form')) {
            return;
        }
        $entries = $this->items['form']->entries()->orderBy('id')->get()->all();
        if ($entries === [] || ! $this->mayWrite($step->who)) {
            return;
        }
        $entry = $chance->of(array_values($entries));
        $tree = $this->states->tree($entry->root);
        if ($tree->parts === []) {
            return;
        }
        $question = $chance->of($tree->parts)->id;
        $answers = [];
        foreach ($tree->parts as $part) {
            $answers[$part->id] = $part->fields['value'] ?? '';
        }
        if ($entry->deleted_at !== null) {
            return;
        }
        $this->sendAsItCame($entry, $step->who);
        $asks = $this->shelf->refresh()->load('memberships')->wantsYesOf($this->people[$step->who], $entry);
        $own = Proposal::of($this->people[$step->who], $entry);
        $this->allowed($this->as($step->who)->put(route('entry.save', $entry), ['base' => $entry->root, 'a' => [$question => $this->pen($chance, 'entry', $step->who)->tag()] + $answers] + ($own === null ? [] : ['proposal' => $own->id])), 'editing an entry');
        $after = $this->states->tree($entry->refresh()->root);
        if ($asks && ! $after->equals($tree)) {
            throw Broken::law('No state is live that nobody with the right to said yes to', "{$step->who} changed entry {$entry->number} alone");
        }
        $this->onlyThese($entry, $tree, $after, [$question]);
    }

    /** A page that is sent without a letter written changes nothing. */
    private function sendAsItCame(Item $entry, string $who): void
    {
        $page = (string) $this->allowed($this->as($who)->get(route('item', $entry)), 'opening an entry')->getContent();
        $sent = $this->sentBy($page, route('entry.save', $entry));
        if ($sent !== null) {
            $this->allowed($this->as($who)->post(route('entry.save', $entry), $sent), 'sending an entry as it came');
            $entry->root === $entry->refresh()->root || throw Broken::law('No answer of an entry changes unless somebody sent that field', "entry {$entry->number}, sent as it came");
        }
    }

    /**
     * @param  list<string>  $sent
     */
    private function onlyThese(Item $entry, PartTree $before, PartTree $after, array $sent): void
    {
        foreach ($before->parts as $answer) {
            if (! in_array($answer->id, $sent, true) && $after->find($answer->id)?->record() !== $answer->record()) {
                throw Broken::law('No answer of an entry changes unless somebody sent that field', "{$answer->id} of entry {$entry->number}");
            }
        }
    }

    /** Of one kind on the shelf no history is kept from now on, or one is again. */
    private function switchHistory(Step $step): void
    {
        $off = $this->shelf->refresh()->unkept_kinds;
        $kind = $this->item($step)->kind;
        $off = in_array($kind, $off, true) ? array_diff($off, [$kind]) : [...$off, $kind];
        $this->allowed($this->as('ines')->put(route('keeping.shelf.kinds', $this->shelf), ['kinds' => array_values(array_diff(Offered::kinds(), $off))]), 'switching a history');
    }

    /** The owner lets changes of entries need a yes, or none. */
    private function askForYes(): void
    {
        $asks = ! $this->shelf->refresh()->asks_entries;
        $this->allowed($this->as('ines')->put(route('shelf.settings', $this->shelf), ['editors_restore' => 1] + ($asks ? ['asks_entries' => 1] : [])), 'wanting a yes');
    }

    private function decide(Step $step, Chance $chance): void
    {
        if ($this->isLost('form')) {
            return;
        }
        $waiting = Proposal::query()->whereNull('line_id')->waiting()->with('item')->orderBy('id')->get()->all();
        if ($waiting === []) {
            return;
        }
        $one = $chance->of(array_values($waiting));
        $before = $this->states->tree($one->item->root);
        $this->shelf->refresh()->load('memberships');
        $may = $this->shelf->letsPublish($this->people[$step->who]) && ($one->user_id !== $this->people[$step->who]->id || ! $this->shelf->othersLetPublish($this->people[$step->who])) && $one->item->deleted_at === null;
        $answer = $chance->of(['accepted', 'accepted', 'declined']);
        $said = $this->as($step->who)->put(route('proposal.answer', [$one->item, $one]), ['answer' => $answer, 'seen' => $one->item->head, 'word' => 'So it is']);
        $may ? $this->allowed($said, 'answering a proposal') : ($said->getStatusCode() >= 400 || throw Broken::law('No state is live that nobody with the right to said yes to', "{$step->who} answered a proposal"));
        $after = $this->states->tree($one->item->refresh()->root);
        if ($answer === 'declined' || ! $may) {
            $after->equals($before) || throw Broken::law('No state is live that nobody with the right to said yes to', "proposal {$one->id} of entry {$one->item->number}");
        } else {
            $changed = array_keys(array_filter($this->states->tree($one->base)->byId(), fn ($answer, $id) => $this->states->tree($one->root)->find((string) $id)?->record() !== $answer->record(), ARRAY_FILTER_USE_BOTH));
            $this->onlyThese($one->item, $before, $after, array_map(strval(...), $changed));
        }
    }

    private function rename(Step $step, Chance $chance): void
    {
        if (! $this->mayWrite($step->who)) {
            return;
        }
        $item = $this->item($step);
        $root = $item->root;
        $this->allowed($this->as($step->who)->put(route('item.rename', $item), ['title' => ucfirst($step->item).' '.$chance->under(1000)]), 'renaming');
        $item->refresh()->root === $root || throw Broken::law('A title changes no content', $step->item);
    }

    /** A dataset stays as it is, or follows again: then it is what its source is, and that is the doing of whoever said so. */
    private function follow(Step $step, Chance $chance): void
    {
        if ($this->followers === [] || ! $this->mayWrite($step->who)) {
            return;
        }
        $kind = $chance->of(array_keys($this->followers));
        $dataset = $this->followers[$kind]->refresh();
        $source = $this->items[$kind];
        $sent = $dataset->follows() ? ['follow' => 0] : ['follow' => 1, 'seen' => $dataset->head];
        $head = $dataset->head;
        // Who may not read the answers of a form does not bring them into a dataset.
        $this->allowed($this->as($step->who)->put(route('dataset.follow', $dataset), $sent), 'following', 403);
        if ($sent['follow'] === 1 && $dataset->refresh()->head > $head) {
            $this->ledger->followed[$kind][] = $dataset->head;
            Version::query()->where(['item_id' => $dataset->id, 'number' => $dataset->head])->value('user_id') === $this->people[$step->who]->id
                || throw Broken::law('Following again is the doing of whoever said so', "{$source->kind}");
        }
    }

    private function takeAway(Step $step, Chance $chance): void
    {
        if ($this->isLost('form')) {
            return;
        }
        $entries = $this->items['form']->entries()->orderBy('id')->get()->all();
        if ($entries === [] || ! $this->mayWrite($step->who)) {
            return;
        }
        $entry = $chance->of(array_values($entries));
        $entry->deleted_at === null
            ? $this->allowed($this->as($step->who)->delete(route('entry.delete', $entry)), 'taking an entry away', 403)
            : $this->allowed($this->as($step->who)->put(route('entry.undelete', $entry)), 'bringing an entry back', 403);
    }

    /** What nobody is on goes, and what is needed by no state; windows have said where they are all along. */
    private function tidy(Chance $chance): void
    {
        $this->standWhereTheyAre();
        Date::setTestNow(Date::now()->addSeconds($chance->of([1, 10_000, 90_000])));
        Artisan::call('attic:tidy', ['--at-once' => true]) === 0 || throw Broken::law('The store is sound', Artisan::output());
    }

    private function standWhereTheyAre(): void
    {
        foreach ($this->windows as $window) {
            Presence::note($this->items[$window->item], $this->people[$window->who], $window->name, null, $window->base);
        }
    }

    /** What is done every night, by rules of the shelf that the owner may have changed. */
    private function night(Chance $chance): void
    {
        $this->standWhereTheyAre();
        $this->followed();
        WhatIsKept::say($this->people['ines'], ['leave' => 60, 'every' => $chance->of([1, 1, 7, null]), 'then' => $chance->of([[], [['daily', 7], ['weekly', null]], [['hourly', 1], ['daily', null]]]), 'most' => null, 'bytes' => null], $this->shelf);
        $roots = array_map(fn (Item $item): array => $item->versions()->pluck('root', 'number')->all(), $this->items);
        $exempt = array_map(fn (Item $item): array => (new Exempt($item->refresh()))->numbers, $this->items);
        Date::setTestNow(Date::now()->addDays($chance->of([1, 1, 3, 20]))->setTime(3, 0));
        foreach (['attic:lives' => [], 'attic:keep' => [], 'attic:tidy' => [], 'attic:digest' => []] as $command => $options) {
            Artisan::call($command, $options) === 0 || throw Broken::law('The night goes by', "{$command}: ".Artisan::output());
        }
        foreach (array_keys($this->items) as $of) {
            $this->thinned($of, $roots[$of], $exempt[$of]);
        }
        $this->mailed();
    }

    /** What is mailed to somebody who only reads tells of nothing else than they may see. */
    private function mailed(): void
    {
        $mails = DB::table('mails')->where('recipient', $this->people['rafi']->email)->orderBy('id')->pluck('body')->all();
        $feed = (string) $this->allowed($this->http->get(route('feed.shelf', [str_repeat('r', 40), $this->shelf->key])), 'reading a feed')->getContent();
        $told = array_merge(Ledger::tagsOf($feed), ...array_map(fn (mixed $text): array => Ledger::tagsOf((string) $text), $mails));
        if ($told === []) {
            return;
        }
        foreach ($this->items as $kind => $item) {
            $sees = $this->sees('rafi', $kind) || ! $item->isPublishable() ? $item->versions()->pluck('root')->all() : Version::query()->whereIn('id', Publishing::query()->where('item_id', $item->id)->select('version_id'))->pluck('root')->all();
            foreach ($sees as $root) {
                $told = array_diff_key($told, Ledger::tags($this->states->tree((string) $root)));
            }
        }
        $told = array_diff_key($told, $this->followed(), ...array_values($this->ledger->gone));
        $told === [] || throw Broken::law('Nobody sees what is not theirs to see', 'rafi was mailed '.implode(', ', array_keys($told)));
    }

    /**
     * @return array<string, true> what is in datasets that follow something, or stood there as long as all was kept: whoever lets one
     *     follow a form shows its answers to all who see the dataset
     */
    public function followed(): array
    {
        foreach (Version::query()->whereIn('item_id', array_values(array_map(fn (Item $dataset): int => $dataset->id, $this->followers)))->pluck('root') as $root) {
            $this->followed += Ledger::tags($this->states->tree((string) $root));
        }

        return $this->followed;
    }

    private function anEntry(Chance $chance): ?Item
    {
        $entries = $this->items['form']->entries()->orderBy('id')->get()->all();

        return $entries === [] ? null : $chance->of(array_values($entries));
    }

    private function trespass(Step $step, Chance $chance): void
    {
        $item = $chance->once(4) ? $this->anEntry($chance) ?? $this->item($step) : $this->item($step);
        $lines = $chance->once(3) ? $item->lines()->orderBy('id')->get()->all() : [];
        $item = $lines === [] ? $item : $chance->of(array_values($lines));
        $doors = new Doors($this, $this->http);
        $role = $this->shelf->memberships()->where('user_id', $this->people[$step->who]->id)->value('role')?->value;
        match (true) {
            $role === null => $doors->closed($step->who, $item, $chance, true),
            $role === 'viewer' => $doors->viewer($step->who, $item, $chance),
            // Rafi only ever reads.
            $chance->once(2) => $doors->viewer('rafi', $item, $chance),
            default => $doors->closed('stranger', $item, $chance, $chance->once(2)),
        };
    }

    /** The owner makes somebody a viewer, an editor again, or removes and invites them. */
    private function rights(Step $step, Chance $chance): void
    {
        $whose = $chance->of(['nell', 'jun']);
        $membership = $this->shelf->memberships()->where('user_id', $this->people[$whose]->id)->first();
        if ($membership === null) {
            $this->shelf->memberships()->create(['user_id' => $this->people[$whose]->id, 'role' => 'editor']);
        } elseif ($chance->once(3)) {
            $this->allowed($this->as('ines')->delete(route('people.destroy', [$this->shelf, $membership])), 'removing somebody');
        } else {
            $this->allowed($this->as('ines')->put(route('people.update', [$this->shelf, $membership]), ['role' => $membership->role->value === 'viewer' ? 'editor' : 'viewer']), 'changing a role');
        }
    }

    private function lookBack(Step $step, Chance $chance): void
    {
        if (! $this->sees($step->who, $step->item) || ! $this->mayWrite($step->who)) {
            return;
        }
        $item = $this->item($step);
        (new Looking($this, $item, $step->item))->at($this->as($step->who), $chance);
    }

    /** What somebody took away by bringing an earlier state back. */
    public function tookAway(string $kind, string $who, string $before, string $after): void
    {
        if ($before !== $after) {
            $this->ledger->sent($kind, $who, Ledger::tags($this->states->tree($before)), Ledger::tags($this->states->tree($after)));
        }
    }

    /**
     * @param  TestResponse<Response>  $response
     * @return TestResponse<Response>
     */
    public function allowed(TestResponse $response, string $doing, int ...$also): TestResponse
    {
        if ($response->getStatusCode() >= 400 && ! in_array($response->getStatusCode(), $also, true)) {
            $exception = $response->exception === null ? '' : get_class($response->exception).': '.$response->exception->getMessage().' at '.$response->exception->getFile().':'.$response->exception->getLine();
            throw Broken::law('No request of somebody who may is refused', "{$doing} was answered {$response->getStatusCode()}. {$exception}");
        }

        return $response;
    }

    public function tree(string $item): PartTree
    {
        return $this->states->tree($this->items[$item]->refresh()->root);
    }
}
