<dl class="file-table">
    <div><dt>{{ __('views/kinds/file.facts.name') }}</dt><dd>{{ $file->name }}</dd></div>
    <div><dt>{{ __('views/kinds/file.facts.type') }}</dt><dd>{{ $file->media }}</dd></div>
    <div><dt>{{ __('views/kinds/file.facts.size') }}</dt><dd>{{ trans_choice('file.size', $file->size, ['count' => App\Words\Numbers::said($file->size)]) }}</dd></div>
    <div><dt>{{ __('views/kinds/file.facts.sha_256') }}</dt><dd><code>{{ $file->sha256 }}</code></dd></div>
</dl>
