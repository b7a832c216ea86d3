<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Presence;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** What people do in windows of their own: each holds a state, sends what it made of it, and hears what others did. */
final class Writing
{
    /** @var array<string, Window> */
    private array $windows = [];

    private int $count = 1000;

    public function __construct(private readonly World $world) {}

    /** @return array<string, Window> */
    public function windows(): array
    {
        return $this->windows;
    }

    /** All windows send what they have and take in what is there, until nothing is left to send. */
    public function comeHome(): void
    {
        foreach (array_filter(array_keys($this->world->items), $this->world->isLost(...)) as $item) {
            $this->world->lose(new Step('ines', 1, $item, Deed::Lose, 1));
        }
        foreach ($this->windows as $window) {
            for ($tries = 0; $tries < 6 && ($window->sent !== null || $window->isDirty()); $tries++) {
                $window->sent === null ? $this->put($window, [], true) : $this->answered($window);
                $this->world->ledger->writtenOver($this->world->items);
                if (! $this->world->mayWrite($window->who)) {
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
        $state = $this->world->as($step->who)->getJson(route('state', $this->world->item($step)));
        $this->world->allowed($state, 'opening');
        $tree = Window::read($state->json('content'));

        return new Window(
            $step->who,
            $step->item,
            substr($step->who, 0, 1).$step->window.substr($step->item, 0, 2).count($this->windows),
            (string) $state->json('root'),
            $tree,
            $tree,
            (int) $state->json('number'),
        );
    }

    public function write(Step $step, Chance $chance): void
    {
        if (! $this->world->mayWrite($step->who)) {
            return;
        }
        $window = $this->window($step);
        $window->now = $this->pen($chance, $step->item, $step->who)->write($window->now);
    }

    /** A picture that nobody else put in, or the same one once more. */
    public function picture(Step $step, Chance $chance): void
    {
        if (! $this->world->mayWrite($step->who) || $step->item !== 'document') {
            return;
        }
        $window = $this->window($step);
        $kept = $this->world->allowed(
            $this->world->as($step->who)->post(
                route('picture.store', $this->world->item($step)),
                ['picture' => UploadedFile::fake()->image('lamp.png', 4 + $chance->under(9), 4)],
                ['Accept' => 'application/json'],
            ),
            'bringing a picture',
        )->json();
        $parts = $window->now->parts;
        $places = [...array_keys(array_filter($parts, fn (Part $part) => $part->depth === 0)), count($parts)];
        $id = 'pic'.base_convert((string) ++$this->count, 10, 36);
        array_splice($parts, $chance->of($places), 0, [new Part($id, 'picture', 0, ['alt' => '', ...$kept])]);
        $window->now = PartTree::of($parts);
    }

    /** @param bool|null $hears whether the answer comes at once, later (false), or never (null) */
    public function send(Step $step, bool $keep, ?bool $hears): void
    {
        if (! $this->world->sees($step->who, $step->item)) {
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
        $row = $this->world->row($window->item);
        $may = $this->world->mayWrite($window->who) && ! $this->world->isLost($window->item);
        $had = Ledger::tags($window->known);
        $has = Ledger::tags($window->now);
        $answer = $this->world->as($window->who)->putJson(route('state.save', $this->world->items[$window->item]), $window->sending($row) + $more);
        if (! $may) {
            $window->sent = null;
            $answer->getStatusCode() === 403
                || $answer->getStatusCode() === 404
                || throw Broken::law('Only who may write writes', "{$window->who} was answered {$answer->getStatusCode()}");

            return;
        }
        if ($answer->getStatusCode() === 409 && $window->isForgotten()) {
            // Its browser offers it as an item of its own.
            unset($this->windows[(string) array_search($window, $this->windows, true)]);

            return;
        }
        $answer->getStatusCode() === 200
            || throw Broken::law(
                'No root that was handed out is refused',
                "{$window->client()} of {$window->who} was answered {$answer->getStatusCode()}: {$answer->getContent()} {$answer->exception?->getMessage()} at {$answer->exception?->getFile()}:{$answer->exception?->getLine()}",
            );
        $this->world->ledger->sent($window->item, $window->who, $had + $window->unheard, $has);
        $this->world->ledger->saidYes($window->item, $has);
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
            $window->hear($window->sent[1], $this->world->row($window->item));
            $this->sameAsStored($window);
        }
    }

    public function hear(Step $step): void
    {
        if ($this->world->sees($step->who, $step->item)) {
            $this->answered($this->window($step));
        }
    }

    public function look(Step $step): void
    {
        if (! $this->world->sees($step->who, $step->item)) {
            return;
        }
        $window = $this->window($step);
        $answer = $this->world->allowed(
            $this->world->as($step->who)->getJson(route('live', [$this->world->item($step), 'client' => $window->name, 'root' => $window->base])),
            'asking for news',
        )->json();
        // Whoever is told that nothing moved, has missed nothing.
        parse_str((string) parse_url((string) $answer['shortly'], PHP_URL_QUERY), $shortly);
        $news = [
            (string) json_encode($shortly['news'] ?? ''),
            array_intersect_key($answer, array_flip(['root', 'number', 'title', 'held', 'people', 'data', 'talk'])),
        ];
        if ($window->heard !== null && $window->heard[0] === $news[0] && $window->heard[1] !== $news[1]) {
            throw Broken::law(
                'Whoever is told that nothing moved has missed nothing',
                "{$step->who} at {$step->item}: ".json_encode(array_map(null, $window->heard[1], $news[1])),
            );
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
        if (! $this->world->sees($window->who, $window->item)) {
            return;
        }
        $row = $this->world->row($window->item);
        $state = $this->world->as($window->who)->getJson(
            route('state', [$this->world->items[$window->item], ...$row === null ? [] : ['since' => $window->base]]),
        );
        $this->world->allowed($state, 'fetching the newest state');
        $newest = $state->json('content') !== null
            ? Window::read($state->json('content'))
            : Window::brought($window->known, $state->json('edits'));
        $window->follow((string) $state->json('root'), (int) $state->json('number'), $newest);
        $this->sameAsStored($window);
    }

    private function sameAsStored(Window $window): void
    {
        $stored = $this->world->states->tree($window->base);
        if (! $window->known->equals($stored)) {
            $at = 0;
            for (
                ;
                isset($window->known->parts[$at], $stored->parts[$at])
                && $window->known->parts[$at]->record() === $stored->parts[$at]->record();
                $at++
            );
            throw Broken::law(
                'Two windows that see the same root show the same',
                "{$window->who} sees of the {$window->item} "
                    .(($window->known->parts[$at] ?? null)?->record() ?? 'nothing')
                    .' where '
                    .(($stored->parts[$at] ?? null)?->record() ?? 'nothing')
                    .' is stored',
            );
        }
    }

    public function reload(Step $step): void
    {
        $key = "{$step->who}/{$step->window}/{$step->item}";
        $window = $this->windows[$key] ?? null;
        // What is not sent is kept by the browser; a window with an answer under way is left alone.
        if ($window !== null && $window->sent === null && ! $window->isDirty()) {
            unset($this->windows[$key]);
        }
        if ($this->world->sees($step->who, $step->item)) {
            $this->window($step);
        }
    }

    public function standWhereTheyAre(): void
    {
        foreach ($this->windows as $window) {
            Presence::note($this->world->items[$window->item], $this->world->people[$window->who], $window->name, null, $window->base);
        }
    }
}
