<x-layout :title="__('views/people.people_of', ['name' => $shelf->name])">
    <div class="frame">
        <x-shelves :current="$shelf" at="people" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/people.people_of_name', ['name' => $shelf->name]) }}</h1></div>
            <x-problems />
            @if (session('invitation'))
                <div class="notice" role="status"><p>{{ __('views/people.it_is_in_their_mail_you') }}</p><input class="input" readonly value="{{ session('invitation') }}" aria-label="{{ __('views/people.invitation_link') }}" data-select></div>
            @endif
            @if (session('mailed'))<p class="notice" role="status">{{ __('views/people.is_known_here_from_elsewhere_the', ['value' => session('mailed')]) }}</p>@endif
            <table class="items people">
                <thead><tr><th>{{ __('views/people.who') }}</th><th>{{ __('views/people.address') }}</th><th>{{ __('views/people.role') }}</th><th>{{ __('views/people.publishes') }}</th><th><span class="is-sr-only">{{ __('views/people.remove') }}</span></th></tr></thead>
                <tbody>
                    @foreach ($memberships as $membership)
                        <tr>
                            <td class="people-name"><x-monogram :user="$membership->user" aria-hidden="true" /> {{ $membership->user->name }}</td>
                            <td>{{ $membership->user->email }}</td>
                            <td>
                                @can('manage', $shelf)
                                    <form class="people-role" method="post" action="{{ route('people.update', [$shelf, $membership]) }}">
                                        @csrf @method('put')
                                        <div class="select"><select name="role" aria-label="{{ __('views/people.what_may_do', ['name' => $membership->user->name]) }}">
                                            @foreach (App\Models\Role::cases() as $role)<option value="{{ $role->value }}" @selected($role === $membership->role)>{{ ucfirst($role->value) }}</option>@endforeach
                                        </select></div>
                                        <button class="button">{{ __('views/people.change') }}</button>
                                    </form>
                                @else
                                    {{ ucfirst($membership->role->value) }}
                                @endcan
                            </td>
                            <td>
                                @if ($membership->role === App\Models\Role::Owner)
                                    {{ __('views/people.always') }}
                                @elseif (Gate::allows('manage', $shelf))
                                    <form class="people-role" method="post" action="{{ route('people.update', [$shelf, $membership]) }}">@csrf @method('put')<input type="hidden" name="publishes" value="{{ $membership->publishes ? '0' : '1' }}"><span>{{ $membership->publishes ? __('views/people.yes') : __('views/people.no') }}</span> <button class="button" aria-label="{{ __($membership->publishes ? 'people.publishes_not' : 'people.publishes', ['name' => $membership->user->firstName()]) }}">{{ $membership->publishes ? __('views/people.stop') : __('views/people.allow') }}</button></form>
                                @else
                                    {{ $membership->publishes ? 'yes' : 'no' }}
                                @endif
                            </td>
                            <td class="items-do">
                                @if (Gate::allows('manage', $shelf) || $membership->user_id === auth()->id())
                                    <details class="menu" data-menu>
                                        <summary class="button is-quiet">{{ $membership->user_id === auth()->id() ? __('views/people.leave') : __('views/people.remove_asks') }}</summary>
                                        <form class="menu-sheet is-right menu-form" method="post" action="{{ route('people.destroy', [$shelf, $membership]) }}">
                                            @csrf @method('delete')
                                            <p>{{ __('views/people.will_no_longer_see_this_shelf', ['who' => $membership->user_id === auth()->id() ? __('views/people.you') : $membership->user->firstName(), 'they' => $membership->user_id === auth()->id() ? 'you' : 'they', 'their' => $membership->user_id === auth()->id() ? 'your' : 'their']) }}</p>
                                            <button class="button is-dark">{{ $membership->user_id === auth()->id() ? __('views/people.leave_the_shelf') : __('views/people.take_off_the_shelf') }}</button>
                                        </form>
                                    </details>
                                @endif
                            </td>
                        </tr>
                    @endforeach
                    @foreach ($invitations as $invitation)
                        <tr>
                            <td class="people-name">{{ $invitation->name }} <small>{{ $invitation->expires_at->isPast() ? __('views/people.did_not_come') : 'invited' }}</small></td>
                            <td>{{ $invitation->email }}</td>
                            <td>{{ ucfirst($invitation->role->value) }}</td>
                            <td>{{ __('views/people.by_until', ['who' => $invitation->user->firstName(), 'expires_at' => App\Words\Days::ofYear(App\Words\Clock::at($invitation->expires_at))]) }}</td>
                            <td class="items-do">@can('manage', $shelf)<form method="post" action="{{ route('people.take-back', [$shelf, $invitation]) }}">@csrf @method('delete')<button class="button is-quiet" aria-label="{{ __('views/people.take_the_invitation_of_back', ['name' => $invitation->name]) }}">{{ __('views/people.take_back') }}</button></form>@endcan</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            <dl class="rights">
                @foreach (App\Models\Role::cases() as $role)<div><dt>{{ ucfirst($role->value) }}</dt><dd>{{ __('rights.'.$role->value) }}</dd></div>@endforeach
            </dl>
            @can('manage', $shelf)
                <div class="two">
                    <form class="panel" method="post" action="{{ route('people.store', $shelf) }}">
                        @csrf
                        <h2>{{ __('views/people.invite_somebody') }}</h2>
                        <div class="field"><label class="label" for="email">{{ __('views/people.e_mail_address') }}</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" maxlength="200" required></div>
                        <div class="field"><label class="label" for="name">{{ __('views/people.name_if_they_have_no_account') }}</label><input class="input" id="name" name="name" value="{{ old('name') }}" maxlength="80"></div>
                        <div class="field"><label class="label" for="role">{{ __('views/people.role') }}</label><div class="select"><select id="role" name="role">@foreach (App\Models\Role::cases() as $role)<option value="{{ $role->value }}" @selected(old('role', 'editor') === $role->value)>{{ ucfirst($role->value) }}</option>@endforeach</select></div></div>
                        <button class="button is-dark">{{ __('views/people.invite') }}</button>
                    </form>
                    <form class="panel" method="post" action="{{ route('shelf.settings', $shelf) }}">
                        @csrf @method('put')
                        <h2>{{ __('views/people.restoring') }}</h2>
                        <label class="checkbox"><input type="checkbox" name="editors_restore" value="1" @checked($shelf->editors_restore)> {{ __('views/people.editors_may_restore_earlier_states') }}</label>
                        <p class="door-note">{{ __('views/people.owners_always_may_a_restore_never') }}</p>
                        <h2>{{ __('views/people.talking') }}</h2>
                        <label class="checkbox"><input type="checkbox" name="viewers_comment" value="1" @checked($shelf->viewers_comment)> {{ __('views/people.viewers_may_comment_on_what_they') }}</label>
                        <label class="checkbox"><input type="checkbox" name="viewers_propose" value="1" @checked($shelf->viewers_propose)> {{ __('proposing.viewers') }}</label>
                        <h2>{{ __('views/people.publishing') }}</h2>
                        <label class="checkbox"><input type="checkbox" name="asks" value="1" @checked($shelf->asks)> {{ __('views/people.publishing_needs_another_persons_yes') }}</label>
                        <p class="door-note">{{ __('views/people.then_publishing_is_a_wish_first') }}</p>
                        <label class="checkbox"><input type="checkbox" name="asks_entries" value="1" @checked($shelf->asks_entries)> {{ __('views/people.changes_to_entries_of_forms_need') }}</label>
                        <p class="door-note">{{ __('views/people.until_then_the_others_who_work') }}</p>
                        <div class="field"><label class="label" for="drafts">{{ __('views/people.who_sees_drafts_of_pages_forms') }}</label><div class="select"><select id="drafts" name="drafts">@foreach (App\Models\Drafts::cases() as $drafts)<option value="{{ $drafts->value }}" @selected($shelf->drafts === $drafts)>{{ __("people.drafts.{$drafts->value}") }}</option>@endforeach</select></div></div>
                        <button class="button">{{ __('views/people.save') }}</button>
                    </form>
                </div>
            @endcan
        </main>
    </div>
</x-layout>
