<div class="form-rows">
    @foreach ($answers as $row)
        @if ($row->block === null)
            <p class="form-same">{{ trans_choice('form.answers_same', $row->count) }}</p>
        @else
            <section class="form-row {{ $row->block->classes($address) }}" id="part-{{ $row->block->id() }}" data-part="{{ $row->block->id() }}">
                @include('kinds.page.marks', ['block' => $row->block, 'named' => true])
                <div class="form-what"><h3>{{ $row->block->part()->string('label') }}</h3>
                    <p class="entry-answer" data-part-text>@if ($row->block->removed())<del>{{ $row->answer() }}</del>@elseif ($row->block->added())<ins>{{ $row->answer() }}</ins>@elseif ($row->block->spans !== []){{ $row->block->text('both', $address) }}@elseif ($row->answerBefore() !== $row->answer())<del>{{ $row->answerBefore() }}</del> <ins>{{ $row->answer() }}</ins>@else{{ $row->answer() }}@endif</p>
                </div>
            </section>
        @endif
    @endforeach
</div>
