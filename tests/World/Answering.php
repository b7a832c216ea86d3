<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Item;
use App\Models\Proposal;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Content\PartTree;

/** People who answer a form, and those who read and edit what was answered. */
final class Answering
{
    public function __construct(private readonly World $world) {}

    public function answer(Step $step, Chance $chance): void
    {
        $form = $this->world->items['form']->refresh();
        if ($form->deleted_at !== null && $form->address !== null) {
            auth()->forgetGuards();
            $before = $form->entries()->count();
            ($this->world->http->post(route('read.send', $form->address), ['a' => []])->getStatusCode() === 410
                && $form->entries()->count() === $before)
                || throw Broken::law('What was deleted takes no answers', 'the form');
        }
        if ($form->live === null || ! $form->is_public || $form->deleted_at !== null) {
            return;
        }
        // Page by page, as long as there is one.
        auth()->forgetGuards();
        $before = $form->entries()->count();
        $page = (string) $this->world->allowed($this->world->http->get(route('read', $form->address)), 'opening a form to answer it')->getContent();
        $pen = $this->world->writing->pen($chance, 'form', 'visitor');
        for ($pages = 0; $pages < 12 && $form->entries()->count() === $before; $pages++) {
            $sent = $this->sentBy($page, route('read.send', $form->address));
            if ($sent === null) {
                return;
            }
            foreach ($this->world->states->tree($form->live->version->root)->parts as $part) {
                if (
                    $part->role === 'question'
                    && in_array($part->string('type'), ['short', 'long'], true)
                    && isset($sent['a'][$part->id])
                ) {
                    $sent['a'][$part->id] = $pen->tag();
                }
            }
            preg_match_all('/name="upload\[([\w-]+)\]"/', $page, $files);
            $sent['upload'] = array_map(
                fn (): UploadedFile => UploadedFile::fake()->image('lamp.png', 20 + $chance->under(9), 4),
                array_flip($files[1]),
            );
            $page = (string) $this->world->allowed($this->world->http->post(route('read.send', $form->address), $sent), 'answering')->getContent();
        }
        $form->entries()->count() === $before + 1
            || throw Broken::law('Who answers is heard', trim((string) preg_replace('/\s+/', ' ', strip_tags($page))));
    }

    /** @return array<mixed>|null what the last button of a form of a page sends that goes there: the one that leads on */
    public function sentBy(string $page, string $address): ?array
    {
        $forms = require __DIR__.'/../answers/forms.php';
        $found = array_filter(
            $forms($page),
            fn (array $form) => $form['action'] === $address && ! str_contains(strtolower($form['fields']), '_method=delete'),
        );
        parse_str(end($found)['fields'] ?? '', $sent);

        return $found === [] ? null : $sent;
    }

    public function editEntry(Step $step, Chance $chance): void
    {
        if ($this->world->isLost('form')) {
            return;
        }
        $entries = $this->world->items['form']->entries()->orderBy('id')->get()->all();
        if ($entries === [] || ! $this->world->mayWrite($step->who)) {
            return;
        }
        $entry = $chance->of(array_values($entries));
        $tree = $this->world->states->tree($entry->root);
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
        $asks = $this->world->shelf->refresh()->load('memberships')->wantsYesOf($this->world->people[$step->who], $entry);
        $own = Proposal::of($this->world->people[$step->who], $entry);
        $this->world->allowed(
            $this->world->as($step->who)->put(
                route('entry.save', $entry),
                ['base' => $entry->root, 'a' => [$question => $this->world->writing->pen($chance, 'entry', $step->who)->tag()] + $answers]
                    + ($own === null ? [] : ['proposal' => $own->id]),
            ),
            'editing an entry',
        );
        $after = $this->world->states->tree($entry->refresh()->root);
        if ($asks && ! $after->equals($tree)) {
            throw Broken::law(
                'No state is live that nobody with the right to said yes to',
                "{$step->who} changed entry {$entry->number} alone",
            );
        }
        $this->onlyThese($entry, $tree, $after, [$question]);
    }

    /** A page that is sent without a letter written changes nothing. */
    private function sendAsItCame(Item $entry, string $who): void
    {
        $page = (string) $this->world->allowed($this->world->as($who)->get(route('item', $entry)), 'opening an entry')->getContent();
        $sent = $this->sentBy($page, route('entry.save', $entry));
        if ($sent !== null) {
            $this->world->allowed($this->world->as($who)->post(route('entry.save', $entry), $sent), 'sending an entry as it came');
            $entry->root === $entry->refresh()->root
                || throw Broken::law(
                    'No answer of an entry changes unless somebody sent that field',
                    "entry {$entry->number}, sent as it came",
                );
        }
    }

    /**
     * @param  list<string>  $sent
     */
    public function onlyThese(Item $entry, PartTree $before, PartTree $after, array $sent): void
    {
        foreach ($before->parts as $answer) {
            if (! in_array($answer->id, $sent, true) && $after->find($answer->id)?->record() !== $answer->record()) {
                throw Broken::law(
                    'No answer of an entry changes unless somebody sent that field',
                    "{$answer->id} of entry {$entry->number}",
                );
            }
        }
    }

    /** The owner lets changes of entries need a yes, or none. */
    public function askForYes(): void
    {
        $asks = ! $this->world->shelf->refresh()->asks_entries;
        $this->world->allowed(
            $this->world->as('ines')->put(route('shelf.settings', $this->world->shelf), ['editors_restore' => 1] + ($asks ? ['asks_entries' => 1] : [])),
            'wanting a yes',
        );
    }

    public function anEntry(Chance $chance): ?Item
    {
        $entries = $this->world->items['form']->entries()->orderBy('id')->get()->all();

        return $entries === [] ? null : $chance->of(array_values($entries));
    }
}
