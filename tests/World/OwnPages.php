<?php

declare(strict_types=1);

namespace Tests\World;

use App\Kinds\Dataset\DatasetView;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalLink;
use App\Models\ProposalState;
use App\Models\Publishing;
use App\Models\Shelf;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;
use Symfony\Component\HttpFoundation\Response;

/** What is written on pages of its own, away from the desks: each is opened, sent, and changes what was sent and nothing else. */
final class OwnPages
{
    /** @var array<string, array{string, string}> who => a record and the state in which its page was opened */
    private array $opened = [];

    public function __construct(private readonly World $world, private readonly Shelf $shelf) {}

    public function write(Step $step, Chance $chance): void
    {
        // Of most kinds there are none.
        $of = $chance->of(['dataset', 'dataset', 'dataset', 'spreadsheet', 'form', 'form', 'report', 'board', $step->item, $step->item]);
        if ($this->world->isLost($of)) {
            return;
        }
        [$item, $step] = [$this->world->items[$of]->refresh(), new Step($step->who, $step->window, $of, $step->deed, $step->seed)];
        match ($chance->under(8)) {
            0 => $this->wish($step, $chance),
            1 => match ($chance->under(4)) {
                0 => $this->aside($step, $item),
                1 => $this->linkBack($item),
                2 => $this->again($step, $chance),
                default => $this->copyOfADay($step, $chance),
            },
            default => match ($of) {
                'dataset' => $chance->once(3) ? $this->field($step, $item, $chance) : $this->record($step, $item, $chance),
                'spreadsheet' => $this->cell($step, $item, $chance),
                'form' => $chance->once(4) ? $this->keepEntries($item) : $this->mine($step, $chance),
                'report' => $this->pin($step, $item, $chance),
                'board' => $this->fields($step, $item, $chance),
                default => null,
            },
        };
    }

    /** A record, which may be open since others changed it. */
    private function record(Step $step, Item $item, Chance $chance): void
    {
        $records = $this->ids($item->root, 'record');
        if (! $this->world->mayWrite($step->who)) {
            $this->world->as($step->who)->get(route('record.edit', [$item, 'new']))->getStatusCode() >= 400
                || throw Broken::law('Only who may write writes', "{$step->who} met a new record");

            return;
        }
        $tag = $this->tag($step, $chance);
        if ($records === [] || $chance->once(4)) {
            $field = $this->texts($item->root)[0] ?? null;
            if ($field !== null) {
                $this->saved(
                    $step,
                    $item,
                    $item->root,
                    $this->put('record.save', $step, [$item, 'new'], ['base' => $item->root, 'values' => [$field => $tag]]),
                    $tag,
                );
            }

            return;
        }
        if ($chance->once(6)) {
            $before = $item->root;
            $this->world->allowed(
                $this->world->as($step->who)->delete(route('record.remove', [$item, $chance->of($records)]), ['base' => $item->root]),
                'removing a record',
            );
            $this->world->tookAway($step->item, $step->who, $before, $item->refresh()->root);

            return;
        }
        [$record, $base] = $this->opened[$step->who] ?? [$chance->of($records), $item->root];
        $page = (string) $this->world
            ->allowed($this->world->as($step->who)->get(route('record.edit', [$item, ($of = $chance->of($records))])), 'opening a record')
            ->getContent();
        $this->asItCame($step, $item, $page, route('record.save', [$item, $of]));
        $this->opened[$step->who] = [$of, $item->refresh()->root];
        $field = $this->texts($base)[0] ?? null;
        if ($field !== null) {
            $this->saved(
                $step,
                $item,
                $base,
                $this->put('record.save', $step, [$item, $record], ['base' => $base, 'values' => [$field => $tag]]),
                $tag,
                $record,
            );
            $this->opened = array_diff_key($this->opened, $chance->once(2) ? [$step->who => true] : []);
        }
    }

    /** A field comes, is called something else, holds something else, or goes. */
    private function field(Step $step, Item $item, Chance $chance): void
    {
        if (! $this->world->mayWrite($step->who)) {
            return;
        }
        $before = $this->world->states->tree($root = $item->root);
        $fields = $this->ids($root, 'field');
        $id = $fields === [] || $chance->once(3) ? 'new' : $chance->of($fields);
        $this->world->allowed($this->world->as($step->who)->get(route('field.edit', [$item, $id])), 'opening a field');
        if ($id !== 'new' && $chance->once(5)) {
            $this->world->allowed($this->world->as($step->who)->get(route('field.hanging', [$item, $id])), 'asking what hangs on a field');
            $this->world->allowed(
                $this->world->as($step->who)->delete(route('field.remove', [$item, $id]), ['base' => $root]),
                'removing a field',
            );
            $this->world->tookAway($step->item, $step->who, $root, $item->refresh()->root);

            return;
        }
        $was = $before->find($id);
        // The first ones hold figures, as long as figures are typed in them.
        $type = $was === null || ! str_starts_with($id, 'ctxt') ? $was?->string('type') ?? 'number' : $chance->of(DatasetView::TYPES);
        $tag = $this->tag($step, $chance);
        $sent = ['base' => $root, 'name' => $tag, 'type' => $type, 'choices' => "Yes\nNo", 'sure' => 1];
        $this->saved($step, $item, $root, $this->put('field.save', $step, [$item, $id], $sent), $tag);
        $after = $this->world->states->tree($item->root);
        // What was a figure in words is one again.
        $this->world->ledger->figured += array_diff_key(Ledger::tags($after), Ledger::tags($before), [$tag => true]);
        foreach ($before->parts as $part) {
            $part->role !== 'record'
                || $part->without($id)->record() === $after->find($part->id)?->without($id)->record()
                || throw Broken::law('No other field changes', "{$part->id} by {$id}");
        }
    }

    /** The parts of a kind without a desk of its own. */
    private function fields(Step $step, Item $item, Chance $chance): void
    {
        if (! $this->world->mayWrite($step->who)) {
            return;
        }
        $page = (string) $this->world
            ->allowed($this->world->as($step->who)->get(route('item', $item)), 'opening a desk of fields')
            ->getContent();
        $this->asItCame($step, $item, $page, route('fields.save', $item));
        $form = $this->world->answering->sentBy($page, route('fields.save', $item));
        $texts = $form === null
            ? []
            : array_keys(array_filter($form['parts'] ?? [], fn (mixed $fields): bool => is_array($fields) && isset($fields['title'])));
        if ($form !== null && $texts !== []) {
            $tag = $this->tag($step, $chance);
            $form['parts'][$chance->of($texts)]['title'] = $tag;
            $this->saved($step, $item, (string) $form['base'], $this->put('fields.save', $step, [$item], ['add' => ''] + $form), $tag);
        }
    }

    /** One cell as a version left it. */
    private function cell(Step $step, Item $item, Chance $chance): void
    {
        if (! $this->world->mayWrite($step->who)) {
            return;
        }
        $number = $chance->of($this->world->kept($item));
        $then = $this->world->states->tree((string) $item->versions()->where('number', $number)->value('root'));
        [$rows, $columns] = [
            array_filter($then->parts, fn (Part $part) => $part->role === 'row'),
            array_filter($then->parts, fn (Part $part) => $part->role === 'column'),
        ];
        if ($rows === [] || $columns === []) {
            return;
        }
        [$row, $column] = [$chance->of(array_values($rows)), $chance->of(array_values($columns))->id];
        $before = $item->root;
        $this->world->allowed(
            $this->world->as($step->who)->get(route('cell', [$item, $row->id, $column])),
            'looking at the history of a cell',
            404,
        );
        $this->world->allowed(
            $this->world->as($step->who)->post(route('cell.restore', [$item, $row->id, $column, $number]), ['seen' => $item->head]),
            'bringing back a cell',
            404,
        );
        $is = $this->world->states->tree($item->refresh()->root)->find($row->id)?->fields[$column] ?? null;
        $was = $row->fields[$column] ?? null;
        $item->root === $before
            || Cell::isFormula($was)
            || $is === $was
            || throw Broken::law('What comes back is as it was', "{$row->id}/{$column} of version {$number}: ".json_encode([$was, $is]));
        $this->world->tookAway($step->item, $step->who, $before, $item->root);
    }

    /** What the visitor sent, opened by its address, sent as it came, and with one answer changed. */
    private function mine(Step $step, Chance $chance): void
    {
        $form = $this->world->items['form']->refresh();
        $chance->once(3) && $this->world->answering->answer($step, $chance);
        $entries = $form->entries()->whereNotNull('token')->orderBy('id')->get()->all();
        if ($entries === []) {
            return;
        }
        $entry = $chance->of(array_values($entries));
        auth()->forgetGuards();
        $page = $this->world->http->get(route('read.mine', [$form->address, $entry->token]));
        if ($page->getStatusCode() >= 400) {
            $isOpen = $form->live !== null && $form->is_public && $form->deleted_at === null && $entry->deleted_at === null;
            $isOpen
                && ($this->world->states->tree($form->live->version->root)->parts[0] ?? null)?->fields['editable'] === true
                && throw Broken::law('Who sent answers may change them', "entry {$entry->number}: {$page->getStatusCode()}");

            return;
        }
        $this->settled($entry, (string) $page->getContent(), $chance);
        auth()->forgetGuards();
        $page = (string) $this->world
            ->allowed($this->world->http->get(route('read.mine', [$form->address, $entry->token])), 'opening answers of one’s own')
            ->getContent();
        $address = route('read.mine.send', [$form->address, $entry->token]);
        $before = $this->world->states->tree($root = $entry->refresh()->root);
        $sent = $this->world->answering->sentBy($page, $address);
        if ($sent === null) {
            return;
        }
        $this->sendOwn($address, $sent, 'sending answers of one’s own as they came');
        $entry->refresh()->root === $root
            || throw Broken::law(
                'No answer of an entry changes unless somebody sent that field',
                "entry {$entry->number}, sent as it came by its address",
            );
        $asked = array_keys(array_filter((array) ($sent['a'] ?? []), is_string(...)));
        $texts = array_values(
            array_filter(
                $asked,
                fn (int|string $id) => is_string($before->find((string) $id)?->fields['value'] ?? null)
                    && preg_match(Pen::TAG, $before->get((string) $id)->string('value')) === 1,
            ),
        );
        if ($texts === []) {
            return;
        }
        $sent['a'][$of = $chance->of($texts)] = $tag = $this->world->writing->pen($chance, 'entry', 'visitor')->tag();
        $answer = $this->sendOwn($address, $sent, 'changing answers of one’s own');
        $stands = [
            ...Ledger::tags($this->world->states->tree($entry->refresh()->root)),
            ...array_merge(
                [],
                ...Proposal::query()
                    ->where('item_id', $entry->id)
                    ->get()
                    ->map(fn (Proposal $own): array => Ledger::tags($this->world->states->tree($own->root)))
                    ->all(),
            ),
        ];
        isset($stands[$tag])
            || str_contains($answer, $tag)
            || throw Broken::law('What was answered with a yes is in a state or waits', "{$tag} is nowhere in entry {$entry->number}");
        $this->settled($entry, $answer, $chance);
        foreach ($before->parts as $part) {
            $part->id === (string) $of
                || $part->record() === $this->world->states->tree($entry->refresh()->root)->find($part->id)?->record()
                || throw Broken::law(
                    'No answer of an entry changes unless somebody sent that field',
                    "{$part->id} of entry {$entry->number}, by its address",
                );
        }
    }

    /**
     * Page by page, as long as there is one.
     *
     * @param  array<string, mixed>  $sent
     */
    private function sendOwn(string $address, array $sent, string $doing): string
    {
        for ($pages = 0; $pages < 12; $pages++) {
            $page = (string) $this->world->allowed($this->world->http->post($address, $sent), $doing)->getContent();
            $sent = $this->world->answering->sentBy($page, $address);
            if ($sent === null) {
                return $page;
            }
        }
        throw Broken::law('Who answers is heard', trim((string) preg_replace('/\s+/', ' ', strip_tags($page))));
    }

    /** Of what met a change of somebody else, who sent it says which it is to be. */
    private function settled(Item $entry, string $page, Chance $chance): void
    {
        $address = route('read.mine.settle', [$this->world->items['form']->address, $entry->token]);
        $form = $this->world->answering->sentBy($page, $address);
        if ($form !== null) {
            $choices = array_map(fn (): string => $chance->of(['mine', 'theirs']), (array) ($form['choice'] ?? []));
            preg_match_all('/name="choice\[(\d+)\]"/', $page, $held);
            auth()->forgetGuards();
            $this->world->allowed(
                $this->world->http->post($address, ['choice' => $choices + array_fill_keys($held[1], 'mine')]),
                'settling answers of one’s own',
            );
        }
    }

    private function keepEntries(Item $form): void
    {
        $this->world->allowed(
            $this->world->as('ines')->put(route('entries.keep', $form), ['keep' => $form->keeps_entries ? 0 : 1]),
            'switching the history of entries',
        );
    }

    private function pin(Step $step, Item $report, Chance $chance): void
    {
        $answer = $this->world->as($step->who)->put(route('report.pin', $report), ['pins' => $chance->under(2)]);
        $step->who === 'ines'
            ? $this->world->allowed($answer, 'pinning the data of a report', 404)
            : $answer->getStatusCode() >= 400
                || $this->shelf->refresh()->load('memberships')->letsPublish($this->world->people[$step->who])
                || throw Broken::law('Only who may publishes', "{$step->who} pinned a report");
    }

    /** A wish to publish is answered, or taken back by whose it is. */
    private function wish(Step $step, Chance $chance): void
    {
        $wishes = Publishing::query()
            ->with('item')
            ->whereNull('decided_at')
            ->orderBy('id')
            ->get()
            ->filter(fn (Publishing $wish) => $wish->item->isStanding() && $wish->item->shelf_id === $this->shelf->id)
            ->all();
        if ($wishes === []) {
            return;
        }
        $wish = $chance->of(array_values($wishes));
        $answer = $chance->of(['published', 'published', 'refused', 'withdrawn']);
        $live = $wish->item->live_id;
        $this->world->allowed($this->world->as($step->who)->get(route('wish', [$wish->item, $wish])), 'looking at a wish', 403, 404);
        $said = $this->world->as($step->who)->put(route('wish.answer', [$wish->item, $wish]), ['answer' => $answer, 'note' => 'So it is']);
        $may = $answer === 'withdrawn'
            ? $wish->user_id === $this->world->people[$step->who]->id && $this->world->mayWrite($step->who)
            : $this->shelf->refresh()->load('memberships')->letsPublish($this->world->people[$step->who]);
        $may
            ? $this->world->allowed($said, 'answering a wish')
            : $said->getStatusCode() >= 400
                || throw Broken::law('No state is live that nobody with the right to said yes to', "{$step->who} answered a wish");
        $is = $wish->item->refresh()->live_id;
        $is === ($may && $answer === 'published' ? $wish->id : $live)
            || throw Broken::law('No state is live that nobody with the right to said yes to', "{$wish->item->kind}: {$answer}");
    }

    /** What can't be saved here becomes an item of its own. */
    private function aside(Step $step, Item $item): void
    {
        if (! $this->world->mayWrite($step->who) || $step->item === 'report') {
            return;
        }
        $tree = $this->world->states->tree($root = $item->root);
        $answer = $this->world
            ->as($step->who)
            ->postJson(route('state.aside', $item), ['content' => array_map(fn (Part $part) => $part->toJson(), $tree->parts)]);
        if ($answer->getStatusCode() === 404) {
            return;
        }
        $this->world->allowed($answer, 'laying something aside');
        $made = Item::query()->latest('id')->firstOrFail();
        $this->world->allowed($this->world->as($step->who)->get((string) $answer->json('address')), 'opening what was laid aside');
        [$item->refresh()->root, Ledger::tags($this->world->states->tree($made->root))] === [$root, Ledger::tags($tree)]
            || throw Broken::law('What is laid aside is what was written', $step->item);
        $this->goesForGood($made);
    }

    private function goesForGood(Item $made): void
    {
        $this->world->allowed($this->world->as('ines')->delete(route('item.destroy', $made)), 'deleting what was made');
        $this->world->allowed(
            $this->world->as('ines')->delete(route('item.for-good', $made), ['name' => $made->title]),
            'deleting what was made for good',
        );
    }

    /** A link to propose with is taken back: it leads nowhere from then on. */
    private function linkBack(Item $item): void
    {
        $link = ProposalLink::query()->open()->where('item_id', $item->id)->orderByDesc('id')->first();
        if ($link !== null) {
            $this->world->allowed($this->world->as('ines')->delete(route('proposals.link.back', [$item, $link])), 'taking a link back');
            auth()->forgetGuards();
            $this->world->http->get(route('visitor', $link->token))->getStatusCode() === 410
                || throw Broken::law('What is taken back leads nowhere', $item->kind);
        }
    }

    /** A change of an entry that was declined or taken back is proposed once more: it waits, and changes nothing. */
    private function again(Step $step, Chance $chance): void
    {
        $ended = Proposal::query()
            ->with('item')
            ->whereNull('line_id')
            ->whereIn('state', [ProposalState::Declined, ProposalState::Withdrawn])
            ->where('user_id', $this->world->people[$step->who]->id)
            ->orderBy('id')
            ->get()
            ->filter(fn (Proposal $one) => $one->item->isStanding())
            ->all();
        if ($ended !== [] && ! $this->world->isLost('form')) {
            $one = $chance->of(array_values($ended));
            $this->world->allowed(
                $this->world->as($step->who)->get(route('proposal', [$one->item, $one])),
                'looking at what was declined',
                403,
                404,
            );
            $this->world->allowed(
                $this->world->as($step->who)->post(route('proposal.again', [$one->item, $one])),
                'proposing once more',
                403,
                404,
            );
            $one->item->root === $one->item->refresh()->root
                || throw Broken::law('Proposing changes nothing', "entry {$one->item->number}");
        }
    }

    /** The shelf as it was at some moment, as a shelf of its own, which then goes for good. */
    private function copyOfADay(Step $step, Chance $chance): void
    {
        $standing = fn (): array => array_map(fn (Item $item): array => [$item->refresh()->root, $item->head], $this->world->items);
        $before = $standing();
        $at = now()->subSeconds($chance->of([0, 60, 3000]))->utc()->format('Y-m-d\TH:i:s\Z');
        $shelves = Shelf::query()->count();
        $this->world->allowed(
            $this->world->as($step->who)->post(route('day.copy', $this->shelf), ['at' => $at, 'name' => 'As it was']),
            'copying a shelf as it was',
            403,
            404,
        );
        if (Shelf::query()->count() === $shelves) {
            return;
        }
        $made = Shelf::query()->latest('id')->firstOrFail();
        $this->world->allowed($this->world->as($step->who)->get(route('shelf', $made)), 'opening the copy of a shelf');
        foreach (Item::query()->where('shelf_id', $made->id)->whereNull('form_id')->orderBy('id')->get()->all() as $item) {
            foreach (['item', 'history'] as $route) {
                $this->world->allowed(
                    $this->world->as($step->who)->get(route($route, $item)),
                    "looking at {$route} on the copy of a shelf",
                );
            }
        }
        $this->world->allowed($this->world->as($step->who)->delete(route('shelf.destroy', $made)), 'deleting the copy of a shelf');
        $this->world->allowed(
            $this->world->as($step->who)->delete(route('shelf.for-good', $made), ['name' => $made->name]),
            'deleting the copy of a shelf for good',
        );
        Shelf::query()->whereKey($made->id)->doesntExist() || throw Broken::law('What goes for good is gone', 'the copy of a shelf');
        $before === $standing() || throw Broken::law('What is not deleted stays', 'what a shelf was copied from');
    }

    /** A page that is sent without a letter written changes nothing. */
    private function asItCame(Step $step, Item $item, string $page, string $address): void
    {
        $sent = $this->world->answering->sentBy($page, $address);
        if ($sent !== null) {
            $root = $item->refresh()->root;
            $this->world->allowed($this->world->as($step->who)->post($address, $sent), 'sending a page as it came');
            $this->unrefused($step);
            $item->refresh()->root === $root
                || throw Broken::law('A page that is sent as it came changes nothing', "{$step->item} at {$address}");
        }
    }

    /**
     * @param  list<mixed>  $at
     * @param  array<string, mixed>  $sent
     * @return TestResponse<Response>
     */
    private function put(string $route, Step $step, array $at, array $sent): TestResponse
    {
        return $this->world->as($step->who)->put(route($route, $at), $sent);
    }

    /**
     * What was written is there or waits, and nothing else changed of what was open.
     *
     * @param  TestResponse<Response>  $answer
     */
    private function saved(Step $step, Item $item, string $base, TestResponse $answer, string $tag, ?string $record = null): void
    {
        // What is gone by now can't be written in.
        $this->world->allowed($answer, 'saving on a page of its own', 404);
        $this->unrefused($step);
        $before = $item->root;
        $item->refresh();
        if ($answer->getStatusCode() === 404) {
            $this->world->states->tree($base)->find((string) $record) === null
                || throw Broken::law('No root that was handed out is refused', "{$record} of the {$step->item}");

            return;
        }
        $this->world->ledger->saidYes($step->item, [$tag => true]);
        $this->world->tookAway($step->item, $step->who, $before, $item->root);
    }

    private function unrefused(Step $step): void
    {
        $errors = session('errors')?->all() ?? [];
        $errors === []
            || throw Broken::law('No request of somebody who may is refused', "on a page of the {$step->item}: ".implode(' ', $errors));
    }

    private function tag(Step $step, Chance $chance): string
    {
        return $this->world->writing->pen($chance, $step->item, $step->who)->tag();
    }

    /** @return list<string> */
    private function ids(string $root, string $role): array
    {
        return array_values(
            array_map(
                fn (Part $part) => $part->id,
                array_filter($this->world->states->tree($root)->parts, fn (Part $part) => $part->role === $role),
            ),
        );
    }

    /** @return list<string> fields in which words are typed */
    private function texts(string $root): array
    {
        return array_values(
            array_map(
                fn (Part $part) => $part->id,
                array_filter(
                    $this->world->states->tree($root)->parts,
                    fn (Part $part) => $part->role === 'field' && $part->string('type') === 'text' && $part->string('expression') === '',
                ),
            ),
        );
    }
}
