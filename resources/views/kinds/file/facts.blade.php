<dl class="file-table">
    <div><dt>Name</dt><dd>{{ $file->name }}</dd></div>
    <div><dt>Type</dt><dd>{{ $file->media }}</dd></div>
    <div><dt>Size</dt><dd>{{ trans_choice('file.size', $file->size, ['count' => App\Words\Numbers::said($file->size)]) }}</dd></div>
    <div><dt>SHA-256</dt><dd><code>{{ $file->sha256 }}</code></dd></div>
</dl>
