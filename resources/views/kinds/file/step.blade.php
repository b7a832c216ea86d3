@if ($part->string('chunk') !== '')<p class="part-text">{{ trans_choice('file.size', $part->int('size'), ['count' => number_format($part->int('size'))]) }}, {{ $part->string('media') }}</p>@endif
