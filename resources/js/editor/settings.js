import { isAddress } from '../document/schema.js';
import { shown } from './dialogs.js';
import { inWords } from '../common/words.js';

/**
 * @typedef {object} Field
 * @property {string} name
 * @property {string} label
 * @property {'line' | 'address' | 'choice' | 'lines' | 'pairs' | 'check' | 'number' | 'date' | 'text'} sort ; a number and a date may be
 *     none
 * @property {[string | number, string][]} [options] of a choice: value and word
 * @property {string} [second] of pairs: the other list, with its label
 * @property {string} [secondLabel]
 * @property {boolean} [addresses] whether the second of a pair is one
 * @property {number} [most]
 */

/**
 * @typedef {object} Control
 * @property {HTMLElement} dom
 * @property {() => Record<string, any>} read
 * @property {() => HTMLElement | null} problem
 * @property {boolean} [isOther] whether it shows another value than is set, since that can't be chosen any more
 */

/** @param {string} name @param {Record<string, any>} [properties] @param {...(Node | string)} children @returns {any} */
function make(name, properties = {}, ...children) {
    const made = Object.assign(document.createElement(name), properties);
    made.append(...children);
    return made;
}

/** @param {Field} field @param {[string, string]} values @returns {HTMLElement} a row of two inputs */
function pairRow(field, [one, two]) {
    const remove = make('button', {
        type: 'button',
        className: 'button is-quiet',
        textContent: inWords('editor.settings.remove'),
        onclick: () => row.remove(),
    });
    const row = make(
        'div',
        { className: 'pair-row' },
        make('input', { className: 'input', value: one, maxLength: 500, ariaLabel: field.label, placeholder: field.label }),
        make('input', {
            className: 'input',
            value: two,
            maxLength: 500,
            ariaLabel: field.secondLabel,
            placeholder: field.addresses ? 'https://' : field.secondLabel,
        }),
        remove,
    );
    return row;
}

/** @param {Field} field @param {Record<string, any>} attrs @returns {Control} */
function control(field, attrs) {
    const id = `setting-${field.name}`;
    const label = make('label', { className: 'label', htmlFor: id, textContent: field.label });
    if (field.sort === 'choice') {
        const select = make(
            'select',
            { id },
            ...(field.options ?? []).map(([value, word]) =>
                make('option', { value: String(value), textContent: word, selected: (attrs[field.name] ?? '') === value }),
            ),
        );
        return {
            dom: make('div', { className: 'field' }, label, make('div', { className: 'select' }, select)),
            read: () => ({ [field.name]: typeof attrs[field.name] === 'number' ? Number(select.value) : select.value }),
            problem: () => null,
            isOther: !field.options?.some(([value]) => value === (attrs[field.name] ?? '')),
        };
    }
    if (field.sort === 'check') {
        const box = make('input', { id, type: 'checkbox', checked: attrs[field.name] === true });
        return {
            dom: make('div', { className: 'field' }, make('label', { className: 'check', htmlFor: id }, box, ` ${field.label}`)),
            read: () => ({ [field.name]: box.checked }),
            problem: () => null,
        };
    }
    if (field.sort === 'number' || field.sort === 'date') {
        const input = make('input', { id, className: 'input is-narrow', type: field.sort, step: 'any', value: attrs[field.name] ?? '' });
        return {
            dom: make('div', { className: 'field' }, label, input),
            read: () => ({ [field.name]: input.value === '' ? null : field.sort === 'date' ? input.value : Number(input.value) }),
            problem: () => (input.validity.badInput ? input : null),
        };
    }
    if (field.sort === 'text') {
        const area = make('textarea', {
            id,
            className: 'textarea',
            rows: 3,
            maxLength: field.most,
            value: attrs[field.name].runs.map((/** @type {[string]} */ [words]) => words).join(''),
        });
        return {
            dom: make('div', { className: 'field' }, label, area),
            read: () => ({ [field.name]: { runs: area.value.trim() === '' ? [] : [[area.value.trim()]] } }),
            problem: () => null,
        };
    }
    if (field.sort === 'lines') {
        const area = make('textarea', { id, className: 'textarea', rows: 4, value: (attrs[field.name] ?? []).join('\n') });
        return {
            dom: make('div', { className: 'field' }, label, area),
            read: () => ({
                [field.name]: area.value
                    .split('\n')
                    .map((/** @type {string} */ line) => line.trim().slice(0, 500))
                    .filter(Boolean)
                    .slice(0, field.most),
            }),
            problem: () => null,
        };
    }
    if (field.sort === 'pairs') {
        const second = field.second ?? '';
        const rows = make(
            'div',
            { className: 'pair-rows' },
            ...attrs[field.name].map((/** @type {string} */ one, /** @type {number} */ at) =>
                pairRow(field, [one, attrs[second][at] ?? '']),
            ),
        );
        if (rows.childElementCount === 0) rows.append(pairRow(field, ['', '']));
        const more = make('button', { type: 'button', className: 'button', textContent: inWords('editor.settings.another_line') });
        more.onclick = () => {
            if (rows.childElementCount >= (field.most ?? 40)) return;
            rows.append(pairRow(field, ['', '']));
            rows.lastElementChild.querySelector('input').focus();
        };
        const values = () =>
            [...rows.children]
                .map((row) => [...row.querySelectorAll('input')].map((input) => input.value.trim()))
                .filter(([one, two]) => one !== '' || two !== '');
        return {
            dom: make(
                'fieldset',
                { className: 'field' },
                make('legend', {
                    className: 'label',
                    textContent: inWords('editor.settings.and', {
                        label: field.label,
                        to_lower_case: (field.secondLabel ?? '').toLowerCase(),
                    }),
                }),
                rows,
                more,
            ),
            read: () => ({ [field.name]: values().map(([one]) => one), [second]: values().map(([, two]) => two) }),
            problem: () =>
                field.addresses
                    ? ([...rows.querySelectorAll('.pair-row')]
                          .map((row) => row.querySelectorAll('input')[1])
                          .find((input) => input.value.trim() !== '' && !isAddress(input.value.trim())) ?? null)
                    : null,
        };
    }
    const input = make('input', {
        id,
        className: 'input',
        value: attrs[field.name] ?? '',
        maxLength: field.sort === 'address' ? 2000 : field.most,
        placeholder: field.sort === 'address' ? 'https://' : '',
    });
    return {
        dom: make('div', { className: 'field' }, label, input),
        read: () => ({ [field.name]: input.value.trim() }),
        problem: () => (field.sort === 'address' && input.value.trim() !== '' && !isAddress(input.value.trim()) ? input : null),
    };
}

/**
 * Asks for the settings of a part. What is left as it was is not given back: somebody else may set it meanwhile.
 *
 * @param {HTMLDialogElement} dialog
 * @param {string} title
 * @param {Field[]} fields
 * @param {Record<string, any>} attrs as they are
 * @returns {Promise<Record<string, any> | null>} null when they stay
 */
export function askSettings(dialog, title, fields, attrs) {
    const form = /** @type {HTMLFormElement} */ (dialog.querySelector('form'));
    const heading = /** @type {HTMLElement} */ (dialog.querySelector('h2'));
    const problem = /** @type {HTMLElement} */ (dialog.querySelector('.dialog-problem'));
    const controls = fields.map((field) => control(field, attrs));
    const opened = controls.map((each) => JSON.stringify(each.read()));
    /** @param {SubmitEvent} event */
    const submit = (event) => {
        if (/** @type {HTMLButtonElement | null} */ (event.submitter)?.value === 'cancel') return;
        const wrong = controls.map((each) => each.problem()).find(Boolean);
        if (wrong) {
            event.preventDefault();
            problem.hidden = false;
            wrong.focus();
        }
    };
    /** @param {KeyboardEvent} event Enter in a line keeps it, though the first button is another */
    const enter = (event) => {
        if (event.key !== 'Enter' || !(event.target instanceof HTMLInputElement)) return;
        event.preventDefault();
        /** @type {HTMLButtonElement | null} */ (form.querySelector('[value=set]'))?.click();
    };
    const answer = shown(dialog, (how) => {
        form.removeEventListener('submit', submit);
        form.removeEventListener('keydown', enter);
        return how === 'set'
            ? Object.assign(
                  {},
                  ...controls.filter((each, at) => each.isOther || JSON.stringify(each.read()) !== opened[at]).map((each) => each.read()),
              )
            : null;
    });
    form.addEventListener('submit', submit);
    form.addEventListener('keydown', enter);
    heading.textContent = title;
    problem.hidden = true;
    /** @type {HTMLElement} */ (dialog.querySelector('[data-fields]')).replaceChildren(...controls.map(({ dom }) => dom));
    /** @type {HTMLElement | null} */ (dialog.querySelector('input, select, textarea'))?.focus();
    return answer;
}
