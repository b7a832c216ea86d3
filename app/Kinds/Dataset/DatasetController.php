<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Actions\MakeItem;
use App\Actions\StopFollowing;
use App\Http\Controllers\Controller;
use App\Http\Middleware\WorkedBeside;
use App\Http\ReceivedFile;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use App\View\Phrases;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Compare\Detail;
use MistyAttic\Core\Compare\Statements;
use MistyAttic\Core\Compare\TreeCompare;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\Source;
use MistyAttic\Core\Store\ChunkStore;

/** Filling a dataset: a look at what a file, a tab or a form holds, then making it, or taking it in again. */
final class DatasetController extends Controller
{
    /** Records that take longer than a second or so to take in. */
    private const MANY = 20_000;

    /** Changes that are listed before a dataset follows again. */
    private const LISTED = 40;

    public function __construct(private readonly ReadSource $sources, private readonly ChunkStore $chunks, private readonly TakeInData $take) {}

    public function create(Request $request, Shelf $shelf, States $states): View
    {
        Gate::authorize('make', $shelf);
        $items = Item::query()->with('shelf.memberships', 'versions.milestone')->whereIn('kind', ['spreadsheet', 'form'])->whereNull('form_id')->whereIn('shelf_id', $this->person($request)->shelves()->pluck('shelves.id'))->orderBy('title')->get()
            ->filter(fn (Item $item) => $this->mayRead($this->person($request), $item));

        return view('kinds.dataset.new', ['shelf' => $shelf, 'items' => $items, 'tabs' => fn (Item $item): array => $item->kind === 'form' ? [] : array_values(array_filter($states->tops($item->root), fn ($part) => $part->role === 'tab'))]);
    }

    /** What would be taken in, with what each field seems to be. Nothing is made yet. */
    public function look(LookAtDataRequest $request, Shelf $shelf): View
    {
        $sent = $request->validated();
        [$seal, $source, $title] = $this->sealed($request, $sent);
        $seal['long'] = ($seal['long'] ?? false) || count($source->records) > self::MANY;

        $types = $source->types();
        $ways = [];
        foreach ($types as $field => $type) {
            $values = $source->values((string) $field);
            if (! $source->isKnown((string) $field) && ($type->isNumber() || NumberWays::couldBe($values))) {
                $ways[$field] = new NumberWays($values, $type->isNumber() ? $type : $type->asked('number', $values));
            }
        }

        return view('kinds.dataset.look', ['shelf' => $shelf, 'item' => null, 'source' => $source, 'types' => $types, 'ways' => $ways, 'readers' => $this->readers($shelf, $seal), 'tab' => isset($seal['item']) ? 0 : (int) ($seal['tab'] ?? 0), 'seal' => encrypt($seal), 'title' => trim((string) ($sent['title'] ?? '')) ?: $title]);
    }

    public function store(MakeDatasetRequest $request, Shelf $shelf, MakeItem $make, DatasetColumns $columns): RedirectResponse
    {
        $sent = $request->validated();
        $title = trim((string) ($sent['title'] ?? '')) ?: (string) __('item.untitled.dataset');
        if (! isset($sent['seal'])) {
            return redirect()->route('item', $make->handle($shelf, $this->person($request), 'dataset', $title));
        }
        [$source, $seal] = $this->opened($request, $sent['seal']);
        $types = $source->types();
        foreach ($types as $field => $seen) {
            $types[$field] = $source->isKnown((string) $field) ? $seen : $seen->asked($sent['types'][$field] ?? $seen->type, $source->values((string) $field), $sent['decimals'][$field] ?? null);
        }
        $item = $this->take->make($shelf, $this->person($request), $title, $source, $types, bound: isset($seal['item']));
        if (isset($seal['item'])) {
            $from = $this->from($this->person($request), $seal['item']);
            $this->take->bind($item, $from, $seal['tab'], $seal['version'] === null ? null : $this->version($from, $seal['version']));
        }

        // Its columns are made now, and not when it is looked at for the first time.
        $columns->records($item->root);

        return redirect()->route('item', $item)->with('said', trans_choice('data.taken', count($source->records), ['count' => number_format(count($source->records))]));
    }

    /** Stops following, or begins again; what goes by that is shown first. */
    public function follow(FollowRequest $request, Item $item, States $states, Phrases $phrases): RedirectResponse|View
    {
        abort_unless($item->kind === 'dataset' && $item->source !== null, 404);
        $sent = $request->validated();
        if (! $sent['follow']) {
            app(StopFollowing::class)->handle($item);

            return redirect()->route('item', $item)->with('said', __('data.stays'));
        }
        abort_unless($this->mayRead($this->person($request), $item->source), 403);
        [$before, $after] = [$states->tree($item->root), $this->take->following($item)];
        if ($after !== null && ! $after->equals($before) && (int) ($sent['seen'] ?? 0) !== $item->head) {
            $statements = Statements::of(new DatasetKind, $before, $after, TreeCompare::of($before, $after), Detail::Listed);

            return view('kinds.dataset.follow', ['item' => $item, 'sentences' => array_map($phrases->statement(...), array_slice($statements, 0, self::LISTED)), 'more' => max(0, count($statements) - self::LISTED)]);
        }
        $this->take->follow($item, $this->person($request));

        return redirect()->route('item', $item)->with('said', __('data.follows'));
    }

    /**
     * @param  array<string, mixed>  $sent
     * @return array{array<string, mixed>, Source, string}
     */
    private function sealed(Request $request, array $sent): array
    {
        if (isset($sent['seal'])) {
            // Another tab of the workbook that was looked at.
            [$source, $seal] = $this->opened($request, $sent['seal'], (int) ($sent['tab'] ?? 0));

            return [['tab' => (int) ($sent['tab'] ?? 0)] + $seal, $source, (string) ($sent['title'] ?? '')];
        }
        $file = ReceivedFile::of($request);
        if ($file !== null) {
            $source = $this->file($file);
            $this->chunks->write([Address::of($file->bytes) => $file->bytes]);

            return [['chunk' => bin2hex(Address::of($file->bytes)), 'name' => $file->name, 'encoding' => $file->encoding, 'long' => WorkedBeside::isLongFile($file->name, strlen($file->bytes))], $source, $file->title()];
        }
        [$key, $tab] = explode('/', (string) $sent['from'], 2) + ['', ''];
        $from = $this->from($this->person($request), $key);
        [$of, $number] = explode(':', (string) ($sent['version'] ?? ''), 2) + ['', ''];
        if ($of !== '' && $of !== $key) {
            throw ValidationException::withMessages(['version' => __('data.other_milestone', ['title' => $from->title])]);
        }
        $version = $of === '' ? null : (int) $number;
        $seal = ['item' => $key, 'tab' => $tab === '' ? null : $tab, 'version' => $version];

        return [$seal, $this->read($from, $seal) ?? abort(404), $from->title];
    }

    /** @return array{Source, array<string, mixed>} */
    private function opened(Request $request, string $seal, ?int $tab = null): array
    {
        try {
            $opened = decrypt($seal);
        } catch (DecryptException) {
            abort(422);
        }
        if (isset($opened['item'])) {
            $from = $this->from($this->person($request), $opened['item']);

            return [$this->read($from, $opened) ?? abort(404), $opened];
        }
        $address = (string) hex2bin($opened['chunk']);

        return [$this->sources->file($opened['name'], $this->chunks->read([$address])[$address] ?? abort(410), $tab ?? (int) ($opened['tab'] ?? 0), $opened['encoding'] ?? null), $opened];
    }

    /**
     * Who will be able to read the entries of a form in a dataset of them.
     *
     * @param  array<string, mixed>  $seal
     */
    private function readers(Shelf $shelf, array $seal): ?string
    {
        $form = isset($seal['item']) ? Item::query()->where('key', $seal['item'])->first() : null;

        return $form?->kind !== 'form' ? null : trans_choice('data.who_reads', $shelf->memberships()->count(), ['shelf' => $shelf->name, 'count' => (string) $shelf->memberships()->count()]).($form->keeps_entries === false ? ' '.__('data.no_steps') : '');
    }

    /**
     * A tab or the entries of a form, as they are now or stood at a milestone.
     *
     * @param  array<string, mixed>  $seal
     */
    private function read(Item $from, array $seal): ?Source
    {
        $version = $seal['version'] === null ? null : $this->version($from, $seal['version']);

        return $this->sources->item($from, $seal['tab'], $version, $version?->saved_at);
    }

    private function file(ReceivedFile $file): Source
    {
        try {
            return $this->sources->file($file->name, $file->bytes, encoding: $file->encoding);
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['file' => __('item.file_unreadable', ['reason' => $e->getMessage()])]);
        }
    }

    private function from(User $user, string $key): Item
    {
        $item = Item::query()->with('shelf.memberships')->where('key', $key)->whereIn('kind', ['spreadsheet', 'form'])->firstOrFail();
        abort_unless($this->mayRead($user, $item), 404);

        return $item;
    }

    private function mayRead(User $user, Item $item): bool
    {
        return Gate::forUser($user)->allows($item->kind === 'form' ? 'entries' : 'view', $item);
    }
}
