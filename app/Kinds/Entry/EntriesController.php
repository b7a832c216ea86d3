<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Http\Controller;
use App\Kinds\Form\KeepEntries;
use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

/** What was answered: the entries as a list, summed up, and as files. */
final class EntriesController extends Controller
{
    public function __construct(private readonly States $states) {}

    public function show(EntriesRequest $request, Item $item): View|RedirectResponse
    {
        $list = $request->list($this->states);
        if ($request->boolean('chosen')) {
            // What is not ticked is left out, so that a question that comes later has its column.
            $with = $request->validated('with') ?? [];

            return redirect()->route(
                'entries',
                $list->address(['without' => array_values(array_diff(array_keys($list->columns + $list->gone), $with))]),
            );
        }

        return view('kinds.entry.all', ['item' => $item, 'list' => $list]);
    }

    public function sums(Item $item): View
    {
        Gate::authorize('entries', $item);

        return view('kinds.entry.sums', [
            'item' => $item,
            'sums' => new EntrySums($item, $this->states->tree($item->live->version->root ?? $item->root)),
        ]);
    }

    /** Switches the history of the entries off or on. */
    public function keep(KeepEntriesRequest $request, Item $item, KeepEntries $keep): RedirectResponse
    {
        $keeps = (bool) $request->validated('keep');
        $keep->handle($item, $this->person($request), $keeps);

        return redirect()->route('entries', $item)->with('said', __($keeps ? 'form.kept_on' : 'form.kept_off'));
    }

    /** The mail that would have been sent to those who answered. */
    public function outbox(Item $item): View
    {
        Gate::authorize('entries', $item);

        return view('outbox', [
            'item' => $item,
            'mails' => DB::table('mails')->where('item_id', $item->id)->orderByDesc('id')->paginate(50),
        ]);
    }

    /** @param key-of<EntryTable::MEDIA_TYPES> $format */
    public function download(EntriesRequest $request, Item $item, string $format): Response
    {
        $name = (Str::slug($item->title) ?: 'form').'-entries.'.$format;

        return response((new EntryTable($request->list($this->states)))->file($format), 200, [
            'Content-Type' => EntryTable::MEDIA_TYPES[$format],
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }
}
