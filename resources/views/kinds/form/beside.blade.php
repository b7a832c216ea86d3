<div class="form-flow" data-flow="{{ route('item.flow', $item) }}">@include('kinds.form.flow', ['title' => __('form.way_through')])</div>
