<div class="form-flow" data-flow="{{ route('item.flow', $item) }}">@include('kinds.form.flow', ['title' => __('views/kinds/form.beside.the_way_through')])</div>
