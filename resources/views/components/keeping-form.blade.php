@props(['tried', 'above' => null, 'action', 'can', 'rehearses' => false, 'differs' => false])
@php($values = $tried->values)
<form class="keeping-form" method="post" action="{{ $action }}">
    @csrf
    <p class="keeping-said">
        Leave a version behind <select name="leave" aria-label="How soon a version is left behind" @disabled(! $can)>@foreach (array_unique([...App\Store\WhatIsKept::LEAVE, $values['leave']]) as $after)<option value="{{ $after }}" @selected($values['leave'] === $after)>{{ App\Store\WhatIsKept::leave($after) }}</option>@endforeach</select>.
        Keep everything for <span class="is-together"><select name="every" aria-label="How long everything is kept" @disabled(! $can)><option value="">ever</option>@foreach (App\Store\WhatIsKept::DAYS as $days)<option value="{{ $days }}" @selected($values['every'] === $days)>{{ App\Store\WhatIsKept::days($days) }}</option>@endforeach</select><span class="then-1">,</span></span>@foreach ([1, 2] as $step)@php($then = $values['then'][$step - 1] ?? null)<span class="then-{{ $step }}">{{ $step === 1 ? '' : ',' }} then <select name="pace{{ $step }}" aria-label="How many stay {{ $step === 1 ? 'then' : 'after that' }}" @disabled(! $can)><option value="none">nothing</option>@foreach (['hourly', 'daily', 'weekly', 'monthly', 'yearly'] as $pace)<option value="{{ $pace }}" @selected(($then[0] ?? null) === $pace)>{{ __("keeping.paces.{$pace}") }}</option>@endforeach</select><span class="for-{{ $step }}"> for <select name="days{{ $step }}" aria-label="For how long {{ $step === 1 ? 'then' : 'after that' }}" @disabled(! $can)><option value="">ever</option>@foreach (App\Store\WhatIsKept::DAYS as $days)<option value="{{ $days }}" @selected($then !== null && $then[1] === $days)>{{ App\Store\WhatIsKept::days($days) }}</option>@endforeach</select></span></span>@endforeach.
        Keep <select name="most" aria-label="How many are kept at most" @disabled(! $can)><option value="">any number</option>@foreach (App\Store\WhatIsKept::MOST as $most)<option value="{{ $most }}" @selected($values['most'] === $most)>{{ App\Words\Numbers::said($most) }}</option>@endforeach</select> of versions, in <select name="bytes" aria-label="How many bytes they take at most" @disabled(! $can)><option value="">any number of bytes</option>@foreach (App\Store\WhatIsKept::BYTES as $bytes)<option value="{{ $bytes }}" @selected($values['bytes'] === $bytes)>{{ App\Words\Numbers::bytes($bytes) }} at most</option>@endforeach</select>.
    </p>
    @if ($can)
        <p class="keeping-do">
            @if ($rehearses)<button class="button" name="do" value="rehearse">Rehearse this</button>@endif
            <button class="button is-dark" name="do" value="keep">Keep these rules</button>
            @if ($above !== null && $differs)<button class="button is-quiet" name="do" value="above">{{ $above }}</button>@endif
        </p>
    @endif
</form>
