@props(['entry', 'at', 'aside' => null, 'ticked' => true])
<li class="plan-line">
    <label>
        <input type="checkbox" name="pick[]" value="{{ $at }}" form="restore" @checked($ticked) data-pick>
        @foreach ($entry->editors as $editor)<x-monogram :user="$editor" aria-hidden="true" />@endforeach
        <span class="plan-what">{{ $entry->plan() }}@if ($aside !== null) <span class="out-of-sight">{{ $aside }}</span>@endif
            <small>{{ $entry->planned() }}@if ($entry->at), <x-when :at="$entry->at" />@endif</small>
        </span>
    </label>
</li>
