<div class="state is-form @if ($address->view === 'was') is-was @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'was' ? "Version {$from->number}, read only" : "What changed between {$from->number} and {$to->number}" }}" data-state>
    @if ($address->view === 'was')@include('history.banner')<p class="form-try"><a href="{{ route('try', [$item, $from->number]) }}">Try this version out</a>, as the person answering saw it</p>@endif
    <div class="form-and-flow">
        <div class="form-rows">
            @forelse ($form->rows as $row)
                @if ($row->block === null)
                    <p class="form-same">{{ trans_choice('form.same', $row->count) }}</p>
                @else
                    @include('kinds.form.row')
                @endif
            @empty
                <p class="form-same">Nothing is asked.</p>
            @endforelse
        </div>
        @include('kinds.form.flow', ['title' => $address->view === 'was' ? 'The way through' : 'The way through, before and after'])
    </div>
</div>
