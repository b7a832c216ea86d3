@props(['at', 'exact' => false])
<time datetime="{{ $at->toIso8601ZuluString() }}" data-when="{{ $exact ? 'exact' : 'near' }}">{{ $at->format('j M Y, H:i') }} UTC</time>