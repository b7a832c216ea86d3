{!! $body !!}
