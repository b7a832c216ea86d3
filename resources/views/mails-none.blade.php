<x-layout title="No more mail" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">@if ($done)<h1>No more mail</h1><p class="door-note">What you watch is no longer mailed to you. In your account you can have it again.</p>@else<h1>No more mail of what you watch?</h1><form method="post" action="{{ request()->getRequestUri() }}"><button class="button is-dark">No more</button></form>@endif</div></main>
</x-layout>
