@foreach ($form->shown() as [$part, $name, $value])
    <textarea aria-label="{{ ucfirst(App\View\Desks\PartFields::said($name === 'text' ? $part->role : $name)) }}" id="{{ $part->id }}-{{ $name }}" @class(['textarea', "is-{$part->role}", "depth-".min($part->depth, 5)]) dir="auto" rows="{{ max(1, min(8, (int) ceil(mb_strlen($value) / 68))) }}" name="parts[{{ $part->id }}][{{ $name }}]">{{ $sent['parts'][$part->id][$name] ?? $value }}</textarea>
@endforeach
