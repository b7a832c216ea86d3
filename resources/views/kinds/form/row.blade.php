<section class="form-row {{ $row->block->classes($address) }}" id="part-{{ $row->block->id() }}" data-part="{{ $row->block->id() }}">
    @include('kinds.page.marks', ['block' => $row->block, 'named' => true])
    <span class="form-number" aria-hidden="true">{{ $row->isQuestion() ? ($row->block->removed() ? '' : $row->count) : ($row->block->role() === 'settings' ? '§' : '') }}</span>
    <div class="form-what">
        @if ($row->isQuestion())
            <h3 data-part-text>{{ $row->block->text('both', $address) }}</h3>
        @elseif ($row->block->role() === 'settings')
            <h3>{{ __('views/kinds/form.row.settings') }}</h3>
        @else
            <h3>{{ __('views/kinds/form.row.page') }} @if ($row->block->setting('title', 'both')[1] !== '' || $row->block->setting('title', 'both')[0] !== null)@include('kinds.page.setting', ['block' => $row->block, 'field' => 'title', 'side' => 'both'])@endif</h3>
        @endif
        <dl class="form-set">
            @foreach ($row->settings() as [$name, $was, $is])
                @if ($address->view === 'was' || $address->rows === 'all' || $was !== null || $row->block->added() || $row->block->removed())<div><dt>{{ $name }}</dt><dd>@if ($was !== null)<del>{{ $was }}</del> <ins>{{ $is }}</ins>@else{{ $is }}@endif</dd></div>@endif
            @endforeach
        </dl>
        @if ($row->below('choice', 'grid_line') !== [])
            <ul class="form-choices">@foreach ($row->below('choice', 'grid_line') as $choice)<li class="was-{{ $choice->added() ? 'added' : ($choice->removed() ? 'removed' : ($choice->moved() ? 'moved' : 'same')) }} is-{{ $choice->role() }}" id="part-{{ $choice->id() }}">@if ($choice->removed())<del>{{ $choice->part()->string('label') }}</del>@elseif ($choice->added())<ins>{{ $choice->part()->string('label') }}</ins>@else @include('kinds.page.setting', ['block' => $choice, 'field' => 'label', 'side' => 'both'])@endif</li>@endforeach</ul>
        @endif
        @foreach ($row->below('skip_rule') as $rule)
            <p class="form-rule" id="part-{{ $rule->id() }}">@if ($rule->removed())<del>{{ App\Kinds\Form\FlowMap::rule($rule->removed() ? $comparison->old : $comparison->new, $rule->part()) }}</del>@elseif ($rule->added())<ins>{{ App\Kinds\Form\FlowMap::rule($rule->removed() ? $comparison->old : $comparison->new, $rule->part()) }}</ins>@else{{ App\Kinds\Form\FlowMap::rule($rule->removed() ? $comparison->old : $comparison->new, $rule->part()) }}@endif</p>
        @endforeach
    </div>
</section>
