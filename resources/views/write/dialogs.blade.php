<dialog class="dialog" data-link-dialog aria-labelledby="link-name">
    <form method="dialog">
        <h2 id="link-name">{{ __('views/write.dialogs.where_does_it_lead') }}</h2>
        <input class="input" name="href" type="text" inputmode="url" maxlength="2000" placeholder="{{ __('views/write.dialogs.https') }}" aria-label="{{ __('views/write.dialogs.address') }}">
        <p class="dialog-problem" role="alert" hidden>{{ __('views/write.dialogs.an_address_begins_with_https_http') }}</p>
        <div class="dialog-do"><button class="button" value="remove" data-remove>{{ __('views/write.dialogs.take_the_link_off') }}</button><button class="button" value="cancel">{{ __('views/write.dialogs.cancel') }}</button><button class="button is-dark" value="set">{{ __('views/write.dialogs.set_the_link') }}</button></div>
    </form>
</dialog>
<dialog class="dialog" data-alt-dialog aria-labelledby="alt-name">
    <form method="dialog">
        <h2 id="alt-name">{{ __('views/write.dialogs.what_does_the_picture_show') }}</h2>
        <input class="input" name="alt" maxlength="500" aria-label="{{ __('views/write.dialogs.description') }}" placeholder="{{ __('views/write.dialogs.in_a_few_words_for_those') }}">
        <div class="dialog-do"><button class="button" value="cancel">{{ __('views/write.dialogs.cancel') }}</button><button class="button is-dark" value="set">{{ __('views/write.dialogs.save') }}</button></div>
    </form>
</dialog>
<dialog class="dialog" data-sign-in-dialog aria-labelledby="sign-in-name">
    <h2 id="sign-in-name">{{ __('views/write.dialogs.your_session_has_ended') }}</h2>
    <p>{{ __('views/write.dialogs.what_you_wrote_is_kept_on') }}</p>
    <p class="dialog-problem" role="alert" hidden></p>
    @if (config('attic.demo') && auth()->id() <= 5)
        <button class="button is-dark" type="button" data-sign-in-as="{{ route('sign-in.demo', auth()->user()) }}">{{ __('views/write.dialogs.go_on_as', ['name' => auth()->user()->name]) }}</button>
    @endif
    <form data-sign-in="{{ route('sign-in.store') }}">
        <label class="label" for="again-email">{{ __('views/write.dialogs.e_mail_address') }}</label><input class="input" id="again-email" name="email" type="email" value="{{ auth()->user()->email }}" autocomplete="username" required>
        <label class="label" for="again-password">{{ __('views/write.dialogs.password') }}</label><input class="input" id="again-password" name="password" type="password" autocomplete="current-password" required>
        <label class="label" for="again-code">{{ __('second.again') }}</label><input class="input" id="again-code" name="code" maxlength="40" inputmode="numeric" autocomplete="one-time-code">
        <div class="dialog-do"><button class="button is-dark">{{ __('views/write.dialogs.sign_in') }}</button></div>
    </form>
</dialog>
<dialog class="dialog" data-stuck-dialog aria-labelledby="stuck-name">
    <form method="dialog">
        <h2 id="stuck-name">{{ __('views/write.dialogs.not_saved_yet') }}</h2>
        <p data-why="base">{{ __('views/write.dialogs.you_began_from_a_state_that') }}</p>
        <p data-why="trouble" hidden>{{ __('views/write.dialogs.the_server_could_not_save_it') }}</p>
        <div class="dialog-do">
            <button class="button" value="">{{ __('views/write.dialogs.later_ctrl_s') }}</button>
            <button class="button" value="aside">{{ __('views/write.dialogs.keep_it_as_a_new_item') }}</button>
            <button class="button is-dark" value="merge" data-why="base">{{ __('views/write.dialogs.merge_it_with_the_newest') }}</button>
            <button class="button is-dark" value="again" data-why="trouble" hidden>{{ __('views/write.dialogs.try_again') }}</button>
        </div>
    </form>
</dialog>
