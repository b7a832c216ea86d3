import { attachHistory } from './history/history.js';
import { attachPlan } from './history/plan.js';
import { attachMenus } from './common/menus.js';
import { attachPartMenu } from './common/part-menu.js';
import { attachForms } from './common/forms.js';
import { keepOwn } from './common/own.js';
import { attachTimes } from './common/times.js';
import { attachRows } from './common/rows.js';
import { attachTitle } from './common/title.js';
import { attachWhatWas } from './common/what-was.js';
import { attachShelfPlan } from './shelf/plan.js';
import { attachTalk } from './talk/looked.js';

attachTimes(document.body);
attachMenus(document.body);
attachPartMenu(document.body);
attachForms(document.body);
attachRows(document.body);
attachTitle(document.body);
attachWhatWas(document.body);
// What only one kind needs comes with its pages: they name it, and nobody else does.
const kinds = import.meta.glob('./kinds/*/main.js');
const named = new Set([...document.querySelectorAll('[data-kind]')].map((marked) => /** @type {HTMLElement} */ (marked).dataset.kind));
const attached = [...named].map((kind) =>
    kinds[`./kinds/${kind}/main.js`]?.().then((room) =>
        /** @type {{attach: (root: HTMLElement) => Promise<void>}} */ (room).attach(document.body),
    ),
);
// Tests press no key before the keys do something.
Promise.allSettled(attached).then(() => (document.body.dataset.ready = ''));
const foot = document.querySelector('.foot:not([data-foot]) [data-small-ribbon]');
if (foot) import('./ribbon/small.js').then(({ smallRibbon }) => smallRibbon(/** @type {HTMLCanvasElement} */ (foot)));
attachHistory(document.body);
attachTalk(document.body);
attachPlan(document.body);
attachShelfPlan(document.body);
if (document.querySelector('[data-square]')) import('./common/square.js').then(({ attachSquare }) => attachSquare(document.body));
if (document.querySelector('[data-day]')) import('./shelf/day.js').then(({ attachDay }) => attachDay(document.body));

if ('serviceWorker' in navigator) {
    navigator.serviceWorker.register('/offline.js').catch(() => {});
    keepOwn();
}
