<?php

declare(strict_types=1);

namespace App\Http\ForYou;

use App\Http\Controller;
use App\View\ForYou\ForYou;
use App\View\ForYou\Notice;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** What waits for whoever looks, and what they put aside. */
final class ForYouController extends Controller
{
    public function show(Request $request, Phrases $phrases): View
    {
        $you = new ForYou($this->person($request), $phrases);

        return view('for-you', ['notices' => $you->notices(), 'aside' => $you->aside()]);
    }

    public function aside(Request $request, Phrases $phrases): RedirectResponse
    {
        $person = $this->person($request);
        $ref = $this->text($request, 'ref');
        $notice = collect((new ForYou($person, $phrases))->notices())->first(
            fn (Notice $notice) => $notice->ref === $ref && $notice->isAside,
        );
        if ($notice !== null) {
            DB::table('put_aside')->upsert(
                [
                    'user_id' => $person->id,
                    'ref' => $ref,
                    'said' => "{$notice->said} ({$notice->where})",
                    'address' => $notice->address,
                    'at' => now()->format('Y-m-d H:i:s'),
                ],
                ['user_id', 'ref'],
            );
        }

        return redirect()->route('for-you');
    }
}
