{{-- A sentence with a moment in it, which is shown in the reader's zone. --}}
{{ $before }}<x-when :at="$at" short />{{ $after }}
