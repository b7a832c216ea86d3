<?php

declare(strict_types=1);

namespace Tests\World;

use App\Making\Making;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Sources\Files;
use App\Words\Ways;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Date;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
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

    public readonly Writing $writing;

    public readonly BringingBack $back;

    public readonly Answering $answering;

    public readonly KeptVersions $versions;

    private readonly OwnPages $own;

    /** @var array<string, true> */
    private array $followed = [];

    /**
     * @param  array<string, User>  $people  by short name; the visitor has none
     * @param  array<string, Item>  $items  by kind
     * @param  array<string, Item>  $followers  datasets, by the kind that they follow
     * @param  Item|null  $figures  a report that counts what is in them
     */
    public function __construct(
        public readonly TestCase $http,
        public readonly States $states,
        public array $people,
        public array $items,
        public readonly Shelf $shelf,
        public readonly array $followers = [],
        public readonly ?Item $figures = null,
    ) {
        $this->ledger = new Ledger;
        $this->days = new ShelfDays($this, $shelf);
        $this->talking = new Talking($this);
        $this->proposing = new Proposing($this);
        $this->house = new Housekeeping($this, $shelf);
        $this->writing = new Writing($this);
        $this->back = new BringingBack($this);
        $this->answering = new Answering($this);
        $this->versions = new KeptVersions($this);
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
            Deed::Write => $this->writing->write($step, $chance),
            Deed::Send, Deed::Keep => $this->writing->send($step, $step->deed === Deed::Keep, ! $chance->once(4)),
            Deed::SendUnanswered => $this->writing->send($step, false, null),
            Deed::Hear => $this->writing->hear($step),
            Deed::Look => $this->writing->look($step),
            Deed::Reload => $this->writing->reload($step),
            Deed::Milestone => $this->milestone($step),
            Deed::Restore, Deed::Pick => $this->back->restore($step, $chance),
            Deed::PartBack => $this->back->partBack($step, $chance),
            Deed::TakeBack => $this->back->takeBack($step),
            Deed::TakeOut => $this->back->takeOut($step, $chance),
            Deed::CopyOut => $this->back->copyOut($step, $chance),
            Deed::Settle => $this->back->settle($step, $chance),
            Deed::Publish => $this->publish($step),
            Deed::Answer => $this->answering->answer($step, $chance),
            Deed::EditEntry => $this->answering->editEntry($step, $chance),
            Deed::Rights => $this->rights($step, $chance),
            Deed::LookBack => $this->lookBack($step, $chance),
            Deed::Trespass => $this->trespass($step, $chance),
            Deed::AskForYes => $this->answering->askForYes(),
            Deed::Decide => $this->decide($step, $chance),
            Deed::Rename => $this->rename($step, $chance),
            Deed::Follow => $this->follow($step, $chance),
            Deed::TakeAway => $this->takeAway($step, $chance),
            Deed::Tidy => $this->versions->tidy($chance),
            Deed::Night => $this->versions->night($chance),
            Deed::House => $this->house->keep($step, $chance),
            Deed::Picture => $this->writing->picture($step, $chance),
            Deed::Lose => $this->lose($step),
            Deed::Thin => $this->versions->thin($step, $chance),
            Deed::Pin => $this->versions->pin($step, $chance),
            Deed::Talk => $this->talking->talk($step, $chance),
            Deed::Propose => $this->proposing->propose($step, $chance),
            Deed::Respond => $this->proposing->answer($step, $chance),
            Deed::Visit => $this->proposing->visit($step, $chance),
            Deed::SwitchHistory => $this->versions->switchHistory($step),
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
        $out = $this->allowed(
            $this->as($step->who)->get(route('download', [$item, $number, $format])),
            "downloading {$number} as {$format}",
            302,
        );
        if ($out->getStatusCode() === 302) {
            return;
        }
        $bytes = $out->baseResponse instanceof StreamedResponse ? $out->streamedContent() : (string) $out->getContent();
        [$before, $isNewest] = [$item->root, $number === $item->head];
        $this->ledger->figured += Ledger::results($this->states->tree((string) $item->versions()->where('number', $number)->value('root')));
        $tab = $item->hasTabs() && in_array($format, ['csv', 'tsv'], true)
            ? ['tab' => $this->states->tree($item->root)->parts[0]->id ?? '']
            : [];
        $this->allowed(
            $this->as($step->who)->post(
                route('item.file.store', $item),
                $tab + ['file' => UploadedFile::fake()->createWithContent("back.{$format}", $bytes), 'sure' => 1],
            ),
            "bringing a file as {$format}",
        );
        $item->refresh();
        // In a table, a record that holds nothing is no line.
        $isWhole = $step->item !== 'dataset'
        || array_filter($this->states->tree($before)->parts, fn (Part $part) => $part->role === 'record' && $part->fields === []) === [];
        $isSame = $format === 'json' || ($this->row($step->item) !== null && $isWhole)
            ? $item->root === $before
            : Ledger::tags($this->states->tree($item->root)) == Ledger::tags($this->states->tree($before));
        if ($isNewest && ! $isSame) {
            $differs = array_udiff(
                $this->states->tree($before)->parts,
                $this->states->tree($item->root)->parts,
                fn (Part $one, Part $two): int => $one->record() <=> $two->record(),
            );
            throw Broken::law(
                'What goes out comes in the same',
                "{$step->item} as {$format}: ".implode(' ', array_map(fn (Part $part) => $part->record(), array_slice($differs, 0, 3))),
            );
        }
        foreach (
            array_diff_key(Ledger::names($this->states->tree($before)), Ledger::names($this->states->tree($item->root))) as $tag => $unused
        ) {
            $this->ledger->restated[$step->item][$tag][] = $step->who;
        }
        $this->tookAway($step->item, $step->who, $before, $item->root);
    }

    /** What is said is said in another way from now on; what is kept is the same. */
    private function ways(Step $step, Chance $chance): void
    {
        $person = $this->people[$step->who];
        $sent = [
            'name' => $person->name,
            'colour' => $person->colour,
            'look' => '',
            'zone' => $chance->of(['', 'Pacific/Auckland', 'America/St_Johns', 'Europe/Lisbon']),
            'numbers' => $chance->of(array_keys(Ways::NUMBERS)),
            'dates' => $chance->of(array_keys(Ways::DATES)),
        ];
        $this->allowed($this->as($step->who)->put(route('account.update'), $sent), 'changing one’s account');
    }

    public function item(Step $step): Item
    {
        return $this->items[$step->item]->refresh();
    }

    public function row(string $kind): ?string
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
        return in_array(
            $this->shelf->memberships()->where('user_id', $this->people[$who]->id)->value('role')?->value,
            ['owner', 'editor'],
            true,
        );
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

    /** Into Lost & found, or out of it as it was. What readers see goes by who may publish alone. */
    public function lose(Step $step): void
    {
        $item = $this->item($step);
        if (! $this->mayWrite($step->who)) {
            return;
        }
        if ($item->deleted_at === null) {
            $this->allowed($this->as($step->who)->get(route('item.delete', $item)), 'asking what hangs on it', 403);
            $this->allowed($this->as($step->who)->delete(route('item.destroy', $item)), 'deleting', 403);
            if ($item->refresh()->deleted_at !== null) {
                $this->as('rafi')->get(route('item', $item))->getStatusCode() === 404
                    || throw Broken::law('Nobody sees what is not theirs to see', "rafi met the deleted {$step->item}");
                $item->address === null
                    || $this->http->get("/read/{$item->address}")->getStatusCode() === 404
                    || throw Broken::law('Nobody sees what is not theirs to see', "everybody met the deleted {$step->item}");
                $this->ledger->lost[$step->item] = [$item->root, $item->head, $item->title, $item->live_id, $item->address];
            }

            return;
        }
        $this->allowed($this->as($step->who)->get(route('lost', $this->shelf)), 'looking at Lost & found');
        $this->allowed($this->as($step->who)->put(route('item.back', $item)), 'bringing back', 403);
        $item->refresh();
        if (
            $item->deleted_at === null
            && $this->ledger->lost[$step->item] !== [$item->root, $item->head, $item->title, $item->live_id, $item->address]
        ) {
            throw Broken::law('What comes back is as it was', $step->item);
        }
    }

    /** Drafts are for who writes, and so is what was deleted. */
    public function sees(string $who, string $item): bool
    {
        return $this->mayWrite($who)
            || (! Kinds::named($item)->isPublishable()
                && ! $this->isLost($item)
                && $this->shelf->memberships()->where('user_id', $this->people[$who]->id)->exists());
    }

    private function milestone(Step $step): void
    {
        if ($this->mayWrite($step->who)) {
            $item = $this->item($step);
            $this->allowed(
                $this->as($step->who)->put(route('milestone.mark', [$item, $item->head]), ['name' => "Agreed {$step->seed}"]),
                'naming a milestone',
            );
        }
    }

    private function publish(Step $step): void
    {
        $item = $this->item($step);
        if ($item->isPublishable() && $item->kind !== 'entry' && $this->mayWrite($step->who)) {
            $this->allowed($this->as($step->who)->post(route('publish.store', [$item, $item->head])), 'publishing', 403);
        }
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
        $may = $this->shelf->letsPublish($this->people[$step->who])
        && ($one->user_id !== $this->people[$step->who]->id || ! $this->shelf->othersLetPublish($this->people[$step->who]))
        && $one->item->deleted_at === null;
        $answer = $chance->of(['accepted', 'accepted', 'declined']);
        $said = $this->as($step->who)->put(route('proposal.answer', [$one->item, $one]), [
            'answer' => $answer,
            'seen' => $one->item->head,
            'word' => 'So it is',
        ]);
        $may
            ? $this->allowed($said, 'answering a proposal')
            : $said->getStatusCode() >= 400
                || throw Broken::law('No state is live that nobody with the right to said yes to', "{$step->who} answered a proposal");
        $after = $this->states->tree($one->item->refresh()->root);
        if ($answer === 'declined' || ! $may) {
            $after->equals($before)
                || throw Broken::law(
                    'No state is live that nobody with the right to said yes to',
                    "proposal {$one->id} of entry {$one->item->number}",
                );
        } else {
            $changed = array_keys(
                array_filter(
                    $this->states->tree($one->base)->byId(),
                    fn ($answer, $id) => $this->states->tree($one->root)->find((string) $id)?->record() !== $answer->record(),
                    ARRAY_FILTER_USE_BOTH,
                ),
            );
            $this->answering->onlyThese($one->item, $before, $after, array_map(strval(...), $changed));
        }
    }

    private function rename(Step $step, Chance $chance): void
    {
        if (! $this->mayWrite($step->who)) {
            return;
        }
        $item = $this->item($step);
        $root = $item->root;
        $this->allowed(
            $this->as($step->who)->put(route('item.rename', $item), ['title' => ucfirst($step->item).' '.$chance->under(1000)]),
            'renaming',
        );
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
            Version::query()
                ->where(['item_id' => $dataset->id, 'number' => $dataset->head])
                ->value('user_id') === $this->people[$step->who]->id
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

    /**
     * @return array<string, true> what is in datasets that follow something, or stood there as long as all was kept: whoever lets one
     *     follow a form shows its answers to all who see the dataset
     */
    public function followed(): array
    {
        foreach (
            Version::query()
                ->whereIn('item_id', array_values(array_map(fn (Item $dataset): int => $dataset->id, $this->followers)))
                ->pluck('root') as $root
        ) {
            $this->followed += Ledger::tags($this->states->tree((string) $root));
        }

        return $this->followed;
    }

    private function trespass(Step $step, Chance $chance): void
    {
        $item = $chance->once(4) ? $this->answering->anEntry($chance) ?? $this->item($step) : $this->item($step);
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
            $this->allowed(
                $this->as('ines')->put(route('people.update', [$this->shelf, $membership]), [
                    'role' => $membership->role->value === 'viewer' ? 'editor' : 'viewer',
                ]),
                'changing a role',
            );
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
            $exception = $response->exception === null
                ? ''
                : get_class($response->exception)
                    .': '
                    .$response->exception->getMessage()
                    .' at '
                    .$response->exception->getFile()
                    .':'
                    .$response->exception->getLine();
            throw Broken::law(
                'No request of somebody who may is refused',
                "{$doing} was answered {$response->getStatusCode()}. {$exception}",
            );
        }
        $this->read($response, $doing);

        return $response;
    }

    /**
     * What a page says is for people.
     *
     * @param  TestResponse<Response>  $response
     */
    private function read(TestResponse $response, string $doing): void
    {
        $type = (string) $response->headers->get('Content-Type');
        if (str_starts_with($type, 'text/html') && ! $response->baseResponse instanceof StreamedResponse) {
            $unread = (require __DIR__.'/../answers/unread.php')((string) $response->getContent(), getenv('EVERY') !== false);
            $unread === null || throw Broken::law($unread[0], "“{$unread[1]}”, {$doing}");
        }
    }

    public function tree(string $item): PartTree
    {
        return $this->states->tree($this->items[$item]->refresh()->root);
    }
}
