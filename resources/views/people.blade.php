<x-layout :title="'People of '.$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" at="people" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>People of “{{ $shelf->name }}”</h1></div>
            <x-problems />
            @if (session('invitation'))
                <div class="notice" role="status"><p>It is in their mail. You can also pass this link on; it works once, for seven days, and opens this shelf alone:</p><input class="input" readonly value="{{ session('invitation') }}" aria-label="Invitation link" data-select></div>
            @endif
            @if (session('mailed'))<p class="notice" role="status">{{ session('mailed') }} is known here from elsewhere: the link is in their mail, and nowhere else.</p>@endif
            <table class="items people">
                <thead><tr><th>Who</th><th>Address</th><th>Role</th><th>Publishes</th><th><span class="is-sr-only">Remove</span></th></tr></thead>
                <tbody>
                    @foreach ($memberships as $membership)
                        <tr>
                            <td class="people-name"><x-monogram :user="$membership->user" aria-hidden="true" /> {{ $membership->user->name }}</td>
                            <td>{{ $membership->user->email }}</td>
                            <td>
                                @can('manage', $shelf)
                                    <form class="people-role" method="post" action="{{ route('people.update', [$shelf, $membership]) }}">
                                        @csrf @method('put')
                                        <div class="select"><select name="role" aria-label="What {{ $membership->user->name }} may do">
                                            @foreach (App\Models\Role::cases() as $role)<option value="{{ $role->value }}" @selected($role === $membership->role)>{{ ucfirst($role->value) }}</option>@endforeach
                                        </select></div>
                                        <button class="button">Change</button>
                                    </form>
                                @else
                                    {{ ucfirst($membership->role->value) }}
                                @endcan
                            </td>
                            <td>
                                @if ($membership->role === App\Models\Role::Owner)
                                    always
                                @elseif (Gate::allows('manage', $shelf))
                                    <form class="people-role" method="post" action="{{ route('people.update', [$shelf, $membership]) }}">@csrf @method('put')<input type="hidden" name="publishes" value="{{ $membership->publishes ? '0' : '1' }}"><span>{{ $membership->publishes ? 'Yes' : 'No' }}</span> <button class="button" aria-label="{{ __($membership->publishes ? 'people.publishes_not' : 'people.publishes', ['name' => $membership->user->firstName()]) }}">{{ $membership->publishes ? 'Stop' : 'Allow' }}</button></form>
                                @else
                                    {{ $membership->publishes ? 'yes' : 'no' }}
                                @endif
                            </td>
                            <td class="items-do">
                                @if (Gate::allows('manage', $shelf) || $membership->user_id === auth()->id())
                                    <details class="menu" data-menu>
                                        <summary class="button is-quiet">{{ $membership->user_id === auth()->id() ? 'Leave…' : 'Remove…' }}</summary>
                                        <form class="menu-sheet is-right menu-form" method="post" action="{{ route('people.destroy', [$shelf, $membership]) }}">
                                            @csrf @method('delete')
                                            <p>{{ $membership->user_id === auth()->id() ? 'You' : $membership->user->firstName() }} will no longer see this shelf. What {{ $membership->user_id === auth()->id() ? 'you' : 'they' }} wrote stays, under {{ $membership->user_id === auth()->id() ? 'your' : 'their' }} name.</p>
                                            <button class="button is-dark">{{ $membership->user_id === auth()->id() ? 'Leave the shelf' : 'Take off the shelf' }}</button>
                                        </form>
                                    </details>
                                @endif
                            </td>
                        </tr>
                    @endforeach
                    @foreach ($invitations as $invitation)
                        <tr>
                            <td class="people-name">{{ $invitation->name }} <small>{{ $invitation->expires_at->isPast() ? 'did not come' : 'invited' }}</small></td>
                            <td>{{ $invitation->email }}</td>
                            <td>{{ ucfirst($invitation->role->value) }}</td>
                            <td>by {{ $invitation->user->firstName() }}, until {{ App\Words\Days::ofYear(App\Words\Clock::at($invitation->expires_at)) }}</td>
                            <td class="items-do">@can('manage', $shelf)<form method="post" action="{{ route('people.take-back', [$shelf, $invitation]) }}">@csrf @method('delete')<button class="button is-quiet" aria-label="Take the invitation of {{ $invitation->name }} back">Take back</button></form>@endcan</td>
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
                        <h2>Invite somebody</h2>
                        <div class="field"><label class="label" for="email">E-mail address</label><input class="input" id="email" type="email" name="email" value="{{ old('email') }}" maxlength="200" required></div>
                        <div class="field"><label class="label" for="name">Name, if they have no account here yet</label><input class="input" id="name" name="name" value="{{ old('name') }}" maxlength="80"></div>
                        <div class="field"><label class="label" for="role">Role</label><div class="select"><select id="role" name="role">@foreach (App\Models\Role::cases() as $role)<option value="{{ $role->value }}" @selected(old('role', 'editor') === $role->value)>{{ ucfirst($role->value) }}</option>@endforeach</select></div></div>
                        <button class="button is-dark">Invite</button>
                    </form>
                    <form class="panel" method="post" action="{{ route('shelf.settings', $shelf) }}">
                        @csrf @method('put')
                        <h2>Restoring</h2>
                        <label class="checkbox"><input type="checkbox" name="editors_restore" value="1" @checked($shelf->editors_restore)> Editors may restore earlier states, too</label>
                        <p class="door-note">Owners always may. A restore never overwrites anything, and can be taken back.</p>
                        <h2>Talking</h2>
                        <label class="checkbox"><input type="checkbox" name="viewers_comment" value="1" @checked($shelf->viewers_comment)> Viewers may comment on what they see</label>
                        <label class="checkbox"><input type="checkbox" name="viewers_propose" value="1" @checked($shelf->viewers_propose)> {{ __('proposing.viewers') }}</label>
                        <h2>Publishing</h2>
                        <label class="checkbox"><input type="checkbox" name="asks" value="1" @checked($shelf->asks)> Publishing needs another person’s yes</label>
                        <p class="door-note">Then publishing is a wish first, which somebody who may publish answers after looking at what readers would see change.</p>
                        <label class="checkbox"><input type="checkbox" name="asks_entries" value="1" @checked($shelf->asks_entries)> Changes to entries of forms need another person’s yes, too</label>
                        <p class="door-note">Until then the others who work with entries see what was agreed to last; who made the change, and who may say yes, see the change.</p>
                        <div class="field"><label class="label" for="drafts">Who sees drafts of pages, forms and reports?</label><div class="select"><select id="drafts" name="drafts">@foreach (App\Models\Drafts::cases() as $drafts)<option value="{{ $drafts->value }}" @selected($shelf->drafts === $drafts)>{{ __("people.drafts.{$drafts->value}") }}</option>@endforeach</select></div></div>
                        <button class="button">Save</button>
                    </form>
                </div>
            @endcan
        </main>
    </div>
</x-layout>
