@if ($errors->any())
    <div class="problems" role="alert">
        @foreach ($errors->all() as $problem)
            <p>{{ $problem }}</p>
        @endforeach
    </div>
@endif
