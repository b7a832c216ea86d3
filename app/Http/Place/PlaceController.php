<?php

declare(strict_types=1);

namespace App\Http\Place;

use App\Http\Controller;
use App\Models\PlaceLine;
use App\Models\Shelf;
use App\Models\User;
use App\Sharing\SendMail;
use App\Store\Space;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** The whole place, for whoever keeps it: its people and shelves, how large it is, and how it is. */
final class PlaceController extends Controller
{
    /** Lines of the log on a page. */
    private const LINES = 30;

    public function show(Request $request): View
    {
        abort_unless($this->person($request)->keeps_place, 404);
        $backups = glob(storage_path('backups/*.sqlite')) ?: [];
        $newest = $backups === [] ? false : filemtime($backups[count($backups) - 1]);

        return view('place-keeper', [
            'people' => User::query()->people()->withCount('shelves')->orderBy('name')->get(),
            'shelves' => Shelf::query()->with('memberships.user')->withCount('items')->whereNull('deleted_at')->orderBy('name')->get(),
            'done' => PlaceLine::query()->with('user')->orderByDesc('id')->paginate(self::LINES),
            'file' => Space::file(),
            'backups' => count($backups), 'backup' => $newest === false ? null : $newest,
            'checks' => DB::table('checks')->orderBy('name')->get(),
            'failed' => DB::table('tasks')
                ->join('users', 'users.id', '=', 'tasks.user_id')
                ->where('tasks.state', 'failed')
                ->orderByDesc('tasks.id')
                ->limit(20)
                ->get(['tasks.name', 'users.name AS who', 'tasks.done_at']),
        ]);
    }

    /** Lets somebody in no more, or again. What they wrote stays under their name, and so does their place on shelves. */
    public function admit(Request $request, User $person): RedirectResponse
    {
        $keeper = $this->person($request);
        abort_unless($keeper->keeps_place, 404);
        if ($person->is($keeper)) {
            return redirect()->route('place')->withErrors(['person' => __('place.yourself')]);
        }
        $leaves = $request->boolean('leaves');
        $person->forceFill(['left_at' => $leaves ? now() : null, 'remember_token' => Str::random(60)])->save();
        PlaceLine::note($keeper, $leaves ? 'left' : 'back', $person->name);

        return redirect()->route('place')->with('said', __($leaves ? 'place.left' : 'place.back', ['name' => $person->name]));
    }

    /** Lets somebody who lost their device set their code up again: until then the password is enough, which their mail says. */
    public function second(Request $request, User $person, SendMail $mail): RedirectResponse
    {
        $keeper = $this->person($request);
        abort_unless($keeper->keeps_place, 404);
        if ($person->is($keeper)) {
            return redirect()->route('place')->withErrors(['person' => __('place.own_second')]);
        }
        $person->forceFill(['second_key' => null, 'recovery' => [], 'remember_token' => Str::random(60)])->save();
        PlaceLine::note($keeper, 'second', $person->name);
        $mail->handle(
            null,
            $person->email,
            (string) __('second.mail.subject'),
            (string) __('second.mail.body', ['keeper' => $keeper->name, 'link' => route('second')]),
        );

        return redirect()->route('place')->with('said', __('place.second', ['name' => $person->name]));
    }
}
