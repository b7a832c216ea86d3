<?php

declare(strict_types=1);

namespace App\Http\Sharing;

use App\Http\Controller;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** What the place would have mailed to people: invitations open doors, so that only whoever keeps the place reads them. */
final class OutboxController extends Controller
{
    public function __invoke(Request $request): View
    {
        abort_unless($this->person($request)->keeps_place, 404);

        return view('place-outbox', ['mails' => DB::table('mails')->whereNull('item_id')->orderByDesc('id')->paginate(50)]);
    }
}
