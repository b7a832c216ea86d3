@if ($part->string('chunk') !== '')<img class="part-picture" src="{{ route('picture', [$item, $part->string('chunk')]) }}" alt="{{ $part->string('alt') }}" loading="lazy">@endif
@php($settings = App\View\Settings\Settings::of($part))
@if ($settings !== [])<dl class="part-settings">@foreach ($settings as $name => $value)<div><dt>{{ $name }}</dt><dd>{{ $value }}</dd></div>@endforeach</dl>@endif
