@foreach ($blocks as $section)
    @continue(! $section->isOn($side))
    @if ($section->isTrace())
        @include('kinds.page.trace', ['block' => $section])
        @continue
    @endif
    <section class="{{ $section->part()->string('background') }} {{ $section->classes($address) }}" @if ($named) id="part-{{ $section->id() }}" @endif data-part="{{ $section->id() }}">
        @include('kinds.page.marks', ['block' => $section])
        @if ($section->setting('title', 'both')[0] !== null || $section->setting('title', $side)[1] !== '')<h1 class="title">@include('kinds.page.setting', ['block' => $section, 'field' => 'title'])</h1>@endif
        <div class="columns">
            @foreach ($section->children as $column)
                @continue(! $column->isOn($side))
                <div data-width="{{ $column->part()->int('width') }}" class="{{ $column->classes($address) }}" @if ($named) id="part-{{ $column->id() }}" @endif data-part="{{ $column->id() }}">
                    @if ($column->isTrace())
                        @include('kinds.page.trace', ['block' => $column])
                    @else
                        @include('kinds.page.marks', ['block' => $column])
                        @foreach ($column->children as $block)
                            @continue(! $block->isOn($side))
                            @include($block->isTrace() ? 'kinds.page.trace' : 'kinds.page.block')
                        @endforeach
                    @endif
                </div>
            @endforeach
        </div>
    </section>
@endforeach
