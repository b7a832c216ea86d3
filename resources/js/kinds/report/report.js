import { ask, piece, Refused, SignedOut } from '../../common/ask.js';
import { foot } from '../../editor/foot.js';
import { headMoved } from '../../editor/head.js';
import { newsOf, whileInSight } from '../../editor/news.js';
import { talkStrip } from '../../talk/strip.js';
import { drawAll } from './chart.js';
import { printAll, savePage } from './files.js';
import { savePagePicture, savePicture } from './pictures.js';
import { place, placeOf } from './places.js';
import { inWords } from '../../common/words.js';

const POLL = 2500;

/**
 * Lays out a report: each step goes to the server, which merges it and gives the pages back. @param {HTMLElement} root @returns {() =>
 * void}
 */
export function attachReport(root) {
    const desk = /** @type {HTMLElement} */ (root.querySelector('[data-report]'));
    const { key, root: first, number, editable, data: drawn } = JSON.parse(desk.dataset.report ?? '{}');
    /** Another one whenever data changed that the figures are made from. @type {string} */
    let data = drawn;
    const sheet = /** @type {HTMLElement} */ (desk.querySelector('[data-sheet-of-report]'));
    const dialog = /** @type {HTMLDialogElement} */ (root.querySelector('[data-report-dialog]'));
    const spoken = desk.querySelector('[data-spoken]');
    const notes = /** @type {HTMLElement} */ (desk.querySelector('[data-notes]'));
    const client = `report-${Math.random().toString(36).slice(2, 12)}`;
    const line = foot(/** @type {HTMLElement} */ (root.querySelector('[data-foot]')), number);
    let state = first;
    /** @type {{before: string, after: string}[]} */
    const done = [];
    /** @type {{before: string, after: string}[]} */
    let undone = [];
    let stop = () => {};
    let busy = Promise.resolve('');
    /** The pages as the server drew them last. */
    let pages = sheet.innerHTML;

    const say = (/** @type {string} */ text) => {
        if (spoken) spoken.textContent = text;
    };
    const shown = () =>
        /** @type {HTMLElement | null} */ (sheet.querySelector('[data-report-page]:not([hidden])'))?.dataset.reportPage ?? '';
    const widgetOf = (/** @type {string} */ id) =>
        /** @type {HTMLElement | null} */ (sheet.querySelector(`[data-part="${CSS.escape(id)}"]`));
    const headIs = (/** @type {number} */ newest) => {
        line.moved(newest);
        headMoved(root, newest);
    };
    const refresh = (/** @type {string} */ html, /** @type {string | null} */ focus) => {
        const had = document.activeElement instanceof HTMLElement ? document.activeElement.closest('[data-widget]') : null;
        const again = focus ?? (had instanceof HTMLElement ? had.dataset.part ?? null : null);
        stop();
        pages = html;
        sheet.innerHTML = html;
        ready();
        if (again) widgetOf(again)?.focus();
        for (const button of /** @type {NodeListOf<HTMLButtonElement>} */ (desk.querySelectorAll('[data-undo], [data-redo]')))
            button.disabled = ('undo' in button.dataset ? done : undone).length === 0;
    };
    const ready = () => {
        place(sheet);
        stop = drawAll(sheet);
    };
    let held = notes.childElementCount;
    /** Edits that are held back are above the pages. @param {number} count */
    const heldAre = async (count) => {
        if (count === held) return;
        const html = await piece(notes.dataset.notes ?? '').catch(() => null);
        if (html === null) return;
        notes.innerHTML = html;
        held = count;
    };
    /**
     * A state that was grown over is not known any more: then the step is made in the newest one. @param {Record<string, unknown>} step
     * @returns {Promise<any>}
     */
    const send = async (step) => {
        const json = () => ({ ...step, base: step.base ?? state, client, shown: step.do === 'page-add' ? '' : shown() });
        try {
            return await ask(`/items/${key}/report`, { method: 'POST', json: json() });
        } catch (error) {
            if (!(error instanceof Refused) || error.status !== 409 || step.base !== undefined) throw error;
            const fresh = await ask(`/items/${key}/report?shown=${shown()}`);
            state = fresh.root;
            refresh(fresh.html, null);
            return ask(`/items/${key}/report`, { method: 'POST', json: json() });
        }
    };
    /**
     * @param {Record<string, unknown>} step @param {{kind?: 'undo' | 'redo', focus?: string | null, said?: string}} [how] @returns
     *     {Promise<string>} why it was not made; '' when it was
     */
    const step = (step, how = {}) => {
        busy = busy.then(async () => {
            line.say(inWords('report.report.saving'), 'saving', 0);
            try {
                const answer = await send(step);
                if (how.kind === 'undo') undone.push({ before: answer.before, after: answer.after });
                else {
                    if (answer.before !== answer.after) done.push({ before: answer.before, after: answer.after });
                    if (how.kind !== 'redo') undone = [];
                }
                state = answer.root;
                const touched = how.focus === undefined ? answer.touched : how.focus;
                refresh(answer.html, null);
                if (step.do === 'page-add' && answer.touched) open(answer.touched);
                if (touched) widgetOf(touched)?.focus();
                if (step.do === 'widget-add' && answer.touched) settings(answer.touched);
                headIs(answer.number);
                line.say('', 'saved', answer.number);
                if (answer.held > 0) {
                    await heldAre(held + answer.held);
                    say(inWords('report.report.it_met_somebody_elses_edit_and'));
                } else if (how.said) say(how.said);
                return '';
            } catch (error) {
                const text =
                    error instanceof Refused
                        ? error.message
                        : error instanceof SignedOut
                          ? inWords('report.report.your_session_has_ended_sign_in')
                          : inWords('report.report.the_server_is_not_reachable_this');
                line.say(text, 'trouble', 0);
                say(text);
                // What was carried goes back to where it is, on the page that is open.
                const page = shown();
                refresh(pages, null);
                open(page);
                return text;
            }
        });
        return busy;
    };
    const back = async (/** @type {'undo' | 'redo'} */ kind) => {
        const from = kind === 'undo' ? done : undone;
        const one = from.pop();
        if (
            one &&
            (await step(
                { do: 'undo', base: one.after, back: one.before },
                { kind, focus: null, said: kind === 'undo' ? inWords('report.report.undone') : inWords('report.report.done_again') },
            ))
        )
            from.push(one);
    };
    const open = (/** @type {string} */ page) => {
        for (const one of /** @type {NodeListOf<HTMLElement>} */ (sheet.querySelectorAll('[data-report-page]')))
            one.hidden = one.dataset.reportPage !== page;
        for (const tab of /** @type {NodeListOf<HTMLElement>} */ (sheet.querySelectorAll('[data-page-of]'))) {
            if (tab.dataset.pageOf === page) tab.setAttribute('aria-current', 'page');
            else tab.removeAttribute('aria-current');
        }
    };
    const settings = async (/** @type {string} */ part, query = '') => {
        const response = await fetch(`/items/${key}/report/${part}/settings${query}`, { headers: { Accept: 'text/html' } }).catch(
            () => null,
        );
        if (!response?.ok) return say(inWords('report.report.its_settings_can_not_be_reached'));
        const box = /** @type {HTMLElement} */ (dialog.querySelector('[data-report-settings]'));
        box.innerHTML = await response.text();
        if (!dialog.open) dialog.showModal();
        /** @type {HTMLElement | null} */ (box.querySelector(query === '' ? '[name=title]' : '[data-again]'))?.focus();
    };
    /** @param {HTMLFormElement} form */
    const read = (form) => {
        /** @type {Record<string, any>} */
        const sent = { part: form.dataset.settingsOf };
        for (const [name, value] of new FormData(form)) {
            if (typeof value !== 'string' || value === '') continue;
            const filter = /^filters\[(\d+)]\[(\w+)]$/.exec(name);
            if (filter) ((sent.filters ??= [])[Number(filter[1])] ??= {})[filter[2]] = value;
            else sent[name] = value;
        }
        if (sent.filters) sent.filters = sent.filters.filter((/** @type {any} */ one) => one?.field);
        return sent;
    };

    /** @param {Event} event */
    const submit = async (event) => {
        const form = /** @type {HTMLFormElement} */ (event.target);
        if (!form.dataset.settingsOf) return;
        event.preventDefault();
        dialog.close();
        const why = await step({ do: form.dataset.do, ...read(form) }, { focus: form.dataset.settingsOf });
        if (why === '' || dialog.open || !form.isConnected) return;
        // What was typed is there still.
        const problem = /** @type {HTMLElement} */ (form.querySelector('.dialog-problem'));
        problem.textContent = why;
        problem.hidden = false;
        dialog.showModal();
    };
    /** @param {Event} event */
    const change = async (event) => {
        const target = /** @type {HTMLElement} */ (event.target);
        const form = /** @type {HTMLFormElement | null} */ (target.closest('[data-settings-of]'));
        if (form && target.matches('[data-again]')) {
            const data = new FormData(form);
            const focused = target.getAttribute('name') ?? '';
            await settings(
                form.dataset.settingsOf ?? '',
                `?source=${encodeURIComponent(String(data.get('source') ?? ''))}&type=${encodeURIComponent(String(data.get('type') ?? ''))}`,
            );
            // What was typed meanwhile stays.
            for (const field of /** @type {NodeListOf<HTMLInputElement>} */ (
                dialog.querySelectorAll('.settings-grid input[name]:not([type=hidden]), .settings-grid textarea[name]')
            )) {
                const typed = data.get(field.name);
                if (typeof typed === 'string') field.value = typed;
            }
            /** @type {HTMLElement | null} */ (dialog.querySelector(`[name="${focused}"]`))?.focus();
        } else if (form && target instanceof HTMLSelectElement && target.matches('[data-to-page]') && target.value) {
            dialog.close();
            step(
                { do: 'widget-page', part: form.dataset.settingsOf, page: target.value },
                { said: inWords('report.report.moved_to_another_page') },
            );
        } else if (form && target instanceof HTMLInputElement && target.dataset.picture && target.files?.[0]) {
            const sent = new FormData();
            sent.set('picture', target.files[0]);
            const problem = /** @type {HTMLElement} */ (form.querySelector('.dialog-problem'));
            try {
                const kept = await ask(target.dataset.picture, { method: 'POST', form: sent, timeout: 60000 });
                /** @type {HTMLInputElement} */ (form.querySelector('[name=chunk]')).value = kept.chunk;
                problem.hidden = true;
            } catch (error) {
                problem.textContent = error instanceof Refused ? error.message : inWords('report.report.the_picture_could_not_be_kept');
                problem.hidden = false;
            }
        }
    };
    /** @param {MouseEvent} event */
    const click = (event) => {
        const target = event.target instanceof Element ? event.target : null;
        const button = /** @type {HTMLElement | null} */ (target?.closest('button'));
        const tab = /** @type {HTMLElement | null} */ (target?.closest('[data-page-of]'));
        if (tab) open(tab.dataset.pageOf ?? '');
        if (!button) return;
        if (button.matches('.menu-line')) button.closest('details')?.removeAttribute('open');
        const widget = /** @type {HTMLElement | null} */ (button.closest('[data-part]'));
        if (button.dataset.pictureOf && widget) savePicture(widget, button.dataset.pictureOf);
        const page = /** @type {HTMLElement | null} */ (desk.querySelector('[data-report-page]:not([hidden])'));
        if (button.dataset.pagePicture && page) savePagePicture(page, button.dataset.pagePicture);
        if ('savePage' in button.dataset) savePage(desk);
        if ('print' in button.dataset) printAll(desk);
        if (button.dataset.add) {
            const used = /** @type {HTMLElement | null} */ (sheet.querySelector('[data-source]'));
            step({ do: 'widget-add', part: shown(), type: button.dataset.add, source: used?.dataset.source });
        } else if ('pageAdd' in button.dataset) step({ do: 'page-add' }, { said: inWords('report.report.a_new_page') });
        else if ('pageSettings' in button.dataset) settings(shown());
        else if ('undo' in button.dataset) back('undo');
        else if ('redo' in button.dataset) back('redo');
        else if ('set' in button.dataset && widget) settings(widget.dataset.part ?? '');
        else if ('close' in button.dataset) dialog.close();
        else if (button.dataset.settingsDo) {
            const form = /** @type {HTMLFormElement} */ (button.closest('form'));
            dialog.close();
            step(
                {
                    do: button.dataset.settingsDo,
                    part: form.dataset.settingsOf,
                    by: button.dataset.by === undefined ? undefined : Number(button.dataset.by),
                },
                { said: button.textContent ?? '' },
            );
        }
    };
    /** @param {KeyboardEvent} event */
    const keydown = (event) => {
        const widget = /** @type {HTMLElement} */ (event.target);
        if (
            (event.ctrlKey || event.metaKey) &&
            event.key.toLowerCase() === 'z' &&
            !dialog.open &&
            !(event.target instanceof HTMLInputElement)
        ) {
            event.preventDefault();
            return back(event.shiftKey ? 'redo' : 'undo');
        }
        if (!widget.matches?.('[data-widget]') || event.ctrlKey || event.metaKey || event.altKey) return;
        const way = /** @type {Record<string, [number, number]>} */ ({
            ArrowLeft: [-1, 0],
            ArrowRight: [1, 0],
            ArrowUp: [0, -1],
            ArrowDown: [0, 1],
        })[event.key];
        const id = widget.dataset.part ?? '';
        if (way) {
            event.preventDefault();
            const at = placeOf(widget);
            const next = event.shiftKey
                ? { ...at, across: Math.max(1, Math.min(12 - at.x, at.across + way[0])), down: Math.max(1, at.down + way[1]) }
                : { ...at, x: Math.max(0, Math.min(12 - at.across, at.x + way[0])), y: Math.max(0, at.y + way[1]) };
            Object.assign(widget.dataset, Object.fromEntries(Object.entries(next).map(([name, value]) => [name, String(value)])));
            place(sheet);
            step(
                { do: 'widget-place', part: id, ...next },
                {
                    focus: id,
                    said: event.shiftKey
                        ? inWords('report.report.of_12_wide_high', { across: next.across, down: next.down })
                        : inWords('report.report.column_row', { x: next.x + 1, y: next.y + 1 }),
                },
            );
        } else if (event.key === 'Enter') {
            event.preventDefault();
            settings(id);
        } else if (event.key === 'Delete') {
            event.preventDefault();
            step({ do: 'widget-remove', part: id }, { focus: null, said: inWords('report.report.removed_it_can_be_undone') });
        }
    };
    /** @param {PointerEvent} event */
    const pointerdown = (event) => {
        const target = event.target instanceof Element ? event.target.closest('[data-grip], [data-size]') : null;
        const widget = /** @type {HTMLElement | null} */ (target?.closest('[data-widget]'));
        if (!target || !widget || event.button !== 0) return;
        event.preventDefault();
        const sizing = target.hasAttribute('data-size');
        const grid = /** @type {HTMLElement} */ (widget.closest('.report-grid'));
        const from = placeOf(widget);
        const style = getComputedStyle(grid);
        const column = (grid.clientWidth + parseFloat(style.columnGap)) / 12;
        const row = parseFloat(style.gridAutoRows) + parseFloat(style.rowGap);
        let next = from;
        const move = (/** @type {PointerEvent} */ at) => {
            const dx = Math.round((at.clientX - event.clientX) / column);
            const dy = Math.round((at.clientY - event.clientY) / row);
            next = sizing
                ? { ...from, across: Math.max(1, Math.min(12 - from.x, from.across + dx)), down: Math.max(1, from.down + dy) }
                : { ...from, x: Math.max(0, Math.min(12 - from.across, from.x + dx)), y: Math.max(0, from.y + dy) };
            Object.assign(widget.dataset, Object.fromEntries(Object.entries(next).map(([name, value]) => [name, String(value)])));
            widget.classList.add('is-carried');
            place(sheet);
        };
        const up = () => {
            removeEventListener('pointermove', move);
            removeEventListener('pointerup', up);
            widget.classList.remove('is-carried');
            if (JSON.stringify(next) !== JSON.stringify(from))
                step({ do: 'widget-place', part: widget.dataset.part, ...next }, { focus: widget.dataset.part });
        };
        addEventListener('pointermove', move);
        addEventListener('pointerup', up);
    };

    const here = () => /** @type {HTMLElement | null} */ (desk.ownerDocument.activeElement?.closest('[data-widget]') ?? null);
    const said = talkStrip(root, {
        part: () => here()?.dataset.part ?? '',
        named: () => here()?.getAttribute('aria-label') ?? inWords('report.report.all_of_it'),
        saved: () => busy,
    });
    const news = newsOf(key, client);
    const look = async () => {
        if (dialog.open) return POLL;
        const answer = await news.ask({ root: state }).catch(() => null);
        if (!answer) return POLL;
        const people = desk.ownerDocument.querySelector('[data-people]');
        if (people) people.textContent = answer.people.map((/** @type {any} */ person) => person.name).join(', ');
        heldAre(answer.held);
        said.upTo(answer.talk);
        const newer = answer.data !== data;
        if (answer.root === state && !newer) return POLL;
        busy = busy.then(async () => {
            const fresh = await ask(`/items/${key}/report?shown=${shown()}`).catch(() => null);
            if (!fresh || (fresh.root === state && !newer)) return '';
            data = answer.data;
            if (fresh.root === state) {
                refresh(fresh.html, null);
                say(inWords('report.report.the_data_moved_on'));
                return '';
            }
            state = fresh.root;
            refresh(fresh.html, null);
            headIs(fresh.number);
            if (answer.by) say(`${answer.by}: ${answer.sentence}`);
            return '';
        });
        return POLL;
    };
    const unwatch = whileInSight(look, POLL);

    root.addEventListener('click', click);
    if (editable) {
        root.addEventListener('submit', submit);
        root.addEventListener('change', change);
        root.addEventListener('keydown', keydown);
        desk.addEventListener('pointerdown', pointerdown);
    }
    ready();
    return () => {
        unwatch();
        said.dispose();
        stop();
    };
}
