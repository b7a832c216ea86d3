<div class="state is-form @if ($address->view === 'was') is-was @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'was' ? __('views/kinds/form.past.version_read_only', ['number' => $from->number]) : __('views/kinds/form.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
    @if ($address->view === 'was')@include('history.banner')<p class="form-try"><a href="{{ route('try', [$item, $from->number]) }}">{{ __('views/kinds/form.past.try_this_version_out') }}</a>{{ __('views/kinds/form.past.as_the_person_answering_saw_it') }}</p>@endif
    <div class="form-and-flow">
        <div class="form-rows">
            @forelse ($form->rows as $row)
                @if ($row->block === null)
                    <p class="form-same">{{ trans_choice('form.same', $row->count) }}</p>
                @else
                    @include('kinds.form.row')
                @endif
            @empty
                <p class="form-same">{{ __('views/kinds/form.past.nothing_is_asked') }}</p>
            @endforelse
        </div>
        @include('kinds.form.flow', ['title' => $address->view === 'was' ? __('form.way_through') : __('views/kinds/form.past.the_way_through_before_and_after')])
    </div>
</div>
