@if ($block->role() === 'line')<div class="block is-line" data-part="{{ $block->id() }}"><code class="block-text" data-part-text>{{ $block->part()->richText()->text() }}</code></div>
@elseif ($block->role() === 'page')<h2 class="file-page">{{ $block->part()->string('title') }}</h2>@foreach ($block->children as $child)@include('kinds.file.read', ['block' => $child])@endforeach
@elseif ($block->role() === 'bytes')@foreach ($block->children as $child)@include('kinds.file.read', ['block' => $child])@endforeach
@else @include('kinds.document.blocks', ['blocks' => [$block], 'side' => 'both', 'parts' => null, 'address' => App\View\HistoryAddress::all($item)])
@endif
