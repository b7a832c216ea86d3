@if ($open !== null && ($open->all->isNotEmpty() || $look !== 'is'))
    <section class="proposals-bar" aria-label="{{ __('proposing.tab') }}">
        @if ($open->at !== null)<p class="proposals-then">{{ __('proposing.then', ['number' => (string) $open->at]) }}</p>@endif
        @if ($open->all->isNotEmpty())
            @if ($open->all->count() <= 8)
                <p class="proposals-who"><span>{{ __('proposing.by') }}</span>
                    @foreach ($open->all as $proposal)
                        <a href="{{ $address($proposal->id, $look === 'would' ? 'would' : null) }}" @if ($chosen?->id === $proposal->id) aria-current="true" @endif><x-proposer :proposal="$proposal" /> {{ $proposal->name() }}</a>
                    @endforeach
                    @if ($open->all->count() > 1)<a class="is-wordy" href="{{ $address('everybody') }}" @if ($look === 'everybody') aria-current="true" @endif>{{ __('proposing.everybody') }}</a>@endif
                </p>
            @else
                <form class="proposals-who" method="get" action="{{ route('proposals', $item) }}">
                    @if ($look === 'would')<input type="hidden" name="look" value="would">@endif @if ($open->at !== null)<input type="hidden" name="at" value="{{ $open->at }}">@endif
                    <label for="proposed-by">{{ __('proposing.by') }}</label>
                    <div class="select"><select id="proposed-by" name="of"><option value="everybody" @selected($look === 'everybody')>{{ __('proposing.everybody') }}</option>@foreach ($open->all as $proposal)<option value="{{ $proposal->id }}" @selected($chosen?->id === $proposal->id)>{{ $proposal->said_by ?? $proposal->user->name }}</option>@endforeach</select></div>
                    <button class="button">{{ __('proposing.show') }}</button>
                </form>
            @endif
            <span class="switch" role="group" aria-label="{{ __('proposing.shown') }}">
                <a href="{{ $open->at === null ? route('item', $item) : route('history', ['item' => $item, 'from' => $open->at, 'to' => $open->at, 'view' => 'was']) }}" @if ($look === 'is') aria-current="true" @endif>{{ __($open->at === null ? 'proposing.look.is' : 'proposing.look.was') }}</a>
                <a href="{{ $address() }}" @if ($look === 'with' || $look === 'everybody') aria-current="true" @endif>{{ __('proposing.look.with') }}</a>
                <a href="{{ $address(look: 'would') }}" @if ($look === 'would') aria-current="true" @endif>{{ __('proposing.look.would') }}</a>
            </span>
        @endif
        @if ($open->at === null)@can('propose', $item)<form method="post" action="{{ route('proposals.begin', $item) }}">@csrf<button class="button">{{ __($open->all->contains('user_id', auth()->id()) ? 'proposing.go_on' : 'proposing.begin') }}</button></form>@endcan @endif
    </section>
@endif
