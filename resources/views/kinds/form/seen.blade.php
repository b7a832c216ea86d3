<x-seen><div class="form-rows">@foreach ($rows as $row)@include('kinds.form.row')@endforeach</div></x-seen>
