<div class="form-rows">
    @foreach ($answers as $row)
        @if ($row->block === null)
            <p class="form-same">{{ trans_choice('form.answers_same', $row->count) }}</p>
        @else
            <section class="form-row {{ $row->block->classes($address) }}" id="part-{{ $row->block->id() }}" data-part="{{ $row->block->id() }}">
                @include('kinds.page.marks', ['block' => $row->block, 'named' => true])
                <div class="form-what"><h3>{{ $row->block->part()->string('label') }}</h3>
                    @php($is = App\Words\Days::said(MistyAttic\Core\Kinds\Entry\AnswerText::of($row->block->part())))
                    @php($was = $row->block->marked->before === null ? $is : App\Words\Days::said(MistyAttic\Core\Kinds\Entry\AnswerText::of($row->block->marked->before)))
                    <p class="entry-answer">@if ($row->block->removed())<del>{{ $is }}</del>@elseif ($row->block->added())<ins>{{ $is }}</ins>@elseif ($row->block->spans !== []){{ $row->block->text('both', $address) }}@elseif ($was !== $is)<del>{{ $was }}</del> <ins>{{ $is }}</ins>@else{{ $is }}@endif</p>
                </div>
            </section>
        @endif
    @endforeach
</div>
