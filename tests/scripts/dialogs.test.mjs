import assert from 'node:assert/strict';
import { test } from 'node:test';
import { shown } from '../../resources/js/editor/dialogs.js';

/** A dialog as the standard has it: its closing is told of by a task of its own (HTML, “close the dialog”, step 10). */
class Dialog extends EventTarget {
    open = false;

    returnValue = '';

    showModal() {
        assert.equal(this.open, false);
        this.open = true;
    }

    close(/** @type {string} */ how) {
        this.open = false;
        this.returnValue = how;
        setTimeout(() => this.dispatchEvent(new Event('close')));
    }
}

const later = () => new Promise((resolve) => setTimeout(resolve, 5));

test('a dialog that is opened again before its closing is told answers for each opening', async () => {
    const dialog = /** @type {any} */ (new Dialog());
    const first = shown(dialog, (how) => `first ${how}`);
    dialog.close('cancel');
    const second = shown(dialog, (how) => `second ${how}`);
    assert.equal(await first, 'first cancel');
    await later();
    dialog.close('set');
    assert.equal(await second, 'second set');
});

test('a dialog that is asked again while it is open leaves the first question without an answer', async () => {
    const dialog = /** @type {any} */ (new Dialog());
    const first = shown(dialog, (how) => how);
    const second = shown(dialog, (how) => how);
    assert.equal(await first, '');
    dialog.close('merge');
    assert.equal(await second, 'merge');
});
