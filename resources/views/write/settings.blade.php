<dialog class="dialog is-settings" data-settings-dialog aria-labelledby="settings-name">
    <form method="dialog">
        <h2 id="settings-name">{{ __('views/write.settings.settings') }}</h2>
        <div data-fields></div>
        <p class="dialog-problem" role="alert" hidden>{{ __('views/write.settings.an_address_begins_with_https_http') }}</p>
        <div class="dialog-do"><button class="button" value="cancel">{{ __('views/write.settings.cancel') }}</button><button class="button is-dark" value="set">{{ __('views/write.settings.save') }}</button></div>
    </form>
</dialog>
