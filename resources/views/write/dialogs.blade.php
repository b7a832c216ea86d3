<dialog class="dialog" data-link-dialog aria-labelledby="link-name">
    <form method="dialog">
        <h2 id="link-name">Where does it lead?</h2>
        <input class="input" name="href" type="text" inputmode="url" maxlength="2000" placeholder="https://" aria-label="Address">
        <p class="dialog-problem" role="alert" hidden>An address begins with https://, http://, mailto: or tel:</p>
        <div class="dialog-do"><button class="button" value="remove" data-remove>Take the link off</button><button class="button" value="cancel">Cancel</button><button class="button is-dark" value="set">Set the link</button></div>
    </form>
</dialog>
<dialog class="dialog" data-alt-dialog aria-labelledby="alt-name">
    <form method="dialog">
        <h2 id="alt-name">What does the picture show?</h2>
        <input class="input" name="alt" maxlength="500" aria-label="Description" placeholder="In a few words, for those who can’t see it">
        <div class="dialog-do"><button class="button" value="cancel">Cancel</button><button class="button is-dark" value="set">Save</button></div>
    </form>
</dialog>
<dialog class="dialog" data-sign-in-dialog aria-labelledby="sign-in-name">
    <h2 id="sign-in-name">Your session has ended</h2>
    <p>What you wrote is kept on this computer. Sign in, and it is saved.</p>
    <p class="dialog-problem" role="alert" hidden></p>
    @if (config('attic.demo') && auth()->id() <= 5)
        <button class="button is-dark" type="button" data-sign-in-as="{{ route('sign-in.demo', auth()->user()) }}">Go on as {{ auth()->user()->name }}</button>
    @endif
    <form data-sign-in="{{ route('sign-in.store') }}">
        <label class="label" for="again-email">E-mail address</label><input class="input" id="again-email" name="email" type="email" value="{{ auth()->user()->email }}" autocomplete="username" required>
        <label class="label" for="again-password">Password</label><input class="input" id="again-password" name="password" type="password" autocomplete="current-password" required>
        <label class="label" for="again-code">{{ __('second.again') }}</label><input class="input" id="again-code" name="code" maxlength="40" inputmode="numeric" autocomplete="one-time-code">
        <div class="dialog-do"><button class="button is-dark">Sign in</button></div>
    </form>
</dialog>
<dialog class="dialog" data-stuck-dialog aria-labelledby="stuck-name">
    <form method="dialog">
        <h2 id="stuck-name">Not saved yet</h2>
        <p data-why="base">You began from a state that is no longer known here, perhaps because this window slept for long. Nothing of what you wrote is lost: it is kept on this computer.</p>
        <p data-why="trouble" hidden>The server could not save it, several times over. Nothing of what you wrote is lost: it is kept on this computer.</p>
        <div class="dialog-do">
            <button class="button" value="">Later (Ctrl+S)</button>
            <button class="button" value="aside">Keep it as a new item</button>
            <button class="button is-dark" value="merge" data-why="base">Merge it with the newest</button>
            <button class="button is-dark" value="again" data-why="trouble" hidden>Try again</button>
        </div>
    </form>
</dialog>
