@props(['line', 'values', 'at'])
{{-- A sentence with a moment in it, which is shown in the reader's zone. --}}
@php([$before, $after] = explode(':when', (string) __($line, $values), 2) + ['', ''])
{{ $before }}<x-when :at="$at" short />{{ $after }}
