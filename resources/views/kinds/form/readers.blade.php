<p>Those on the shelf, and those whom the form names, answer at <a href="{{ route('answer', $item) }}">{{ route('answer', $item, false) }}</a>.</p>
