<dialog class="dialog is-settings" data-settings-dialog aria-labelledby="settings-name">
    <form method="dialog">
        <h2 id="settings-name">Settings</h2>
        <div data-fields></div>
        <p class="dialog-problem" role="alert" hidden>An address begins with https://, http://, mailto:, tel: or /</p>
        <div class="dialog-do"><button class="button" value="cancel">Cancel</button><button class="button is-dark" value="set">Save</button></div>
    </form>
</dialog>
