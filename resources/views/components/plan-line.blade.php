@props(['entry'])
<li class="plan-line">
    @foreach ($entry->editors as $editor)<x-monogram :user="$editor" aria-hidden="true" />@endforeach
    <div>
        <p>{{ $entry->plan() }}</p>
        <small>{{ $entry->planned() }}@if ($entry->at), <x-when :at="$entry->at" />@endif</small>
    </div>
</li>
