{{-- How the numbers or days of a field are written: what each reading would make of them. --}}
@foreach ($ways->ways as $way => $read)
    <label class="radio"><input type="radio" name="{{ $name }}" value="{{ $way }}" @checked($way === $ways->chosen)> <span>{{ __("data.ways.{$ways->setting}.{$way}") }}: {{ $read['read'] === null ? __('data.not_read', ['text' => Str::limit($read['example'], 30)]) : __('data.read_as', ['text' => Str::limit($read['example'], 30), 'number' => $read['read']]) }}; {{ trans_choice('data.left', $read['left'], ['count' => App\Words\Numbers::said($read['left']), 'kept' => implode(', ', array_map(fn (string $text) => '“'.Str::limit($text, 30).'”', $read['kept'])).($read['left'] > count($read['kept']) ? ' …' : '')]) }}.</span></label>
@endforeach
