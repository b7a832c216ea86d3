@if ($part->string('chunk') !== '')<img class="part-picture" src="{{ route('picture', [$item, $part->string('chunk')]) }}" alt="{{ $part->string('alt') }}" loading="lazy">@endif
@if (($settings = App\View\Settings\Settings::of($part)) !== [])<dl class="part-settings">@foreach ($settings as $name => $value)<div><dt>{{ $name }}</dt><dd>{{ $value }}</dd></div>@endforeach</dl>@endif
