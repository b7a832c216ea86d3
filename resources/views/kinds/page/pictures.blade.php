<div class="pictures" data-pictures>
    <div class="pictures-how" role="group" aria-label="Compare the pictures">
        <label><input type="radio" name="pictures-{{ $is->id }}" value="side" checked> Side by side</label>
        <label><input type="radio" name="pictures-{{ $is->id }}" value="over"> Overlaid</label>
        <label><input type="radio" name="pictures-{{ $is->id }}" value="difference"> Difference</label>
    </div>
    <div class="pictures-two">
        <img src="{{ route('picture', [$item, $was->string('chunk')]) }}" alt="Earlier: {{ $was->string('alt') }}">
        <img src="{{ route('picture', [$item, $is->string('chunk')]) }}" alt="Later: {{ $is->string('alt') }}" data-later>
    </div>
    <label class="pictures-slide">Earlier <input type="range" min="0" max="100" value="50" aria-label="How much of the earlier picture shows" data-slide> Later</label>
</div>
