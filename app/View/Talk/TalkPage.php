<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\Item;
use App\Models\Membership;
use App\Models\User;
use App\Store\States;
use App\View\HistoryAddress;
use Closure;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/** The threads of an item, for a page or as slips that lie below their parts. */
final readonly class TalkPage
{
    /** Parts up to which a state is read to say where a thread is. */
    private const SMALL = 2_000;

    /** @param array{show?: string|null, by?: int|string|null, at?: int|string|null, since?: int|string|null, part?: string|null, field?: string|null, version?: int|string|null, thread?: string|null, also?: list<string>} $asked */
    public function __construct(private Item $item, private User $person, private array $asked, private States $states) {}

    /** @return array<string, mixed> */
    public function slips(): array
    {
        [$at, $since] = [$this->number('at'), $this->number('since')];

        return [
            ...self::seen($this->item, new Talk($this->item, $at, $since), $at === null || $at === $this->item->head, $since),
            'at' => $at,
        ];
    }

    /**
     * What slips are drawn from.
     *
     * @param  (Closure(ThreadSeen): string)|null  $looks  where a thread is seen in its place
     * @param  PartTree|null  $tree  the state that they lie in
     * @return array<string, mixed>
     */
    public static function seen(
        Item $item,
        Talk $talk,
        bool $isNow,
        ?int $since = null,
        ?Closure $looks = null,
        ?PartTree $tree = null,
    ): array {
        $mayComment = $isNow && Gate::allows('comment', $item);
        $names = array_values(
            $item->shelf
                ->memberships()
                ->comes()
                ->with('user')
                ->get()
                ->map(fn (Membership $membership): string => $membership->user->name)
                ->all(),
        );

        return [
            'item' => $item,
            'talk' => $talk,
            'since' => $since,
            'mayComment' => $mayComment,
            'slip' => new SlipHtml($item, $names, $mayComment, $since, (int) Auth::id(), $looks, $tree),
        ];
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        $talk = new Talk($this->item);
        $tree = $this->states->count($this->item->root) > self::SMALL ? PartTree::of([]) : $this->states->tree($this->item->root);
        $show = $this->asked['show'] ?? ($talk->countOpen() > 0 || $talk->threads === [] ? 'open' : 'all');
        $by = $this->number('by');
        $isGone = fn (ThreadSeen $seen): bool => $tree->parts !== [] && $seen->began !== '' && ! $tree->has($seen->part);
        $isShown = fn (ThreadSeen $seen): bool => ($by === null || in_array($by, array_column($seen->comments, 'by'), true))
            && match ($show) {
                'open' => $seen->isOpen(),
                'settled' => ! $seen->isOpen(),
                'waiting' => $isGone($seen),
                default => true,
            };
        $comments = array_merge(...array_map(fn (ThreadSeen $seen): array => $seen->comments, $talk->threads));
        $stands = [];

        return [
            ...self::seen($this->item, $talk, true, looks: $this->looks($isGone)),
            'chosen' => $this->asked['thread'] ?? '',
            'show' => $show,
            'by' => $by,
            'people' => array_column($comments, 'user', 'by'),
            'person' => $this->person,
            'threads' => array_reverse(array_filter($talk->threads, $isShown)),
            'isGone' => $isGone,
            'where' => function (ThreadSeen $seen) use ($tree, &$stands): string {
                return $stands[$seen->part] ??= (string) $seen->where($this->item, $tree);
            },
            'asked' => array_filter(
                $this->asked,
                fn (string $name) => in_array($name, ['part', 'field', 'version', 'also'], true),
                ARRAY_FILTER_USE_KEY,
            ),
            'about' => $this->about($tree),
        ];
    }

    /** @return Closure(ThreadSeen): string the address of where it is seen */
    private function looks(Closure $isGone): Closure
    {
        return function (ThreadSeen $seen) use ($isGone): string {
            $number = $seen->version ?? ($isGone($seen) ? $seen->number : $this->item->head);

            return $seen->version !== null || $seen->began === ''
                ? HistoryAddress::at($this->item, $number, $number, '', ['view' => 'was'])."#thread-{$seen->slug}"
                : HistoryAddress::at($this->item, $number, $number, $seen->key(), ['view' => 'was']);
        };
    }

    /** What a new thread would be about, in words. */
    private function about(PartTree $tree): string
    {
        $part = ($this->asked['part'] ?? '') === '' ? null : $tree->find((string) $this->asked['part']);
        $named = $part === null ? '' : $this->item->kind()->whereabouts($tree, $part);

        return match (true) {
            $this->number('version') !== null => (string) __('talk.version', ['number' => (string) $this->number('version')]),
            $part !== null => $named === '' ? (string) __('talk.this_part') : '“'.Str::limit($named, 60).'”',
            default => (string) __('talk.all_of_it'),
        };
    }

    private function number(string $name): ?int
    {
        return isset($this->asked[$name]) ? (int) $this->asked[$name] : null;
    }
}
