<x-layout :title="'Delete '.$item->title.' for good'" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>Delete “{{ $item->title }}” for good?</h1>
        <p class="door-note">{{ trans_choice('{1} Its one version goes|[2,*] All :count versions of it go', $versions) }}@if ($entries > 0), and {{ trans_choice('{1} its one entry with its history|[2,*] its :count entries with their histories', $entries) }}@endif, with milestones, notes, pictures and everything that was held back. <b>This can’t be undone, by anybody.</b></p>
        @if ($hangs->said !== [])<ul class="hangs">@foreach ($hangs->said as $said)<li>{{ $said }}</li>@endforeach</ul>@endif
        <x-problems />
        <form method="post" action="{{ route('item.for-good', $item) }}">
            @csrf @method('delete')
            <div class="field"><label class="label" for="name">To go on, type its name: {{ $item->title }}</label><input class="input" id="name" name="name" maxlength="250" autocomplete="off" required autofocus></div>
            <div class="dialog-do"><a class="button" href="{{ route('lost', $item->shelf) }}">Leave it in Lost &amp; found</a><button class="button is-danger">Delete it for good</button></div>
        </form>
    </div></main>
</x-layout>
