import { attachHistory } from './history/history.js';
import { attachPlan } from './history/plan.js';
import { attachMenus } from './common/menus.js';
import { attachForms } from './common/forms.js';
import { keepOwn } from './common/own.js';
import { attachTimes } from './common/times.js';
import { attachRows } from './common/rows.js';
import { attachTitle } from './common/title.js';
import { attachFade } from './file/fade.js';

attachTimes(document.body);
attachMenus(document.body);
attachForms(document.body);
attachRows(document.body);
attachTitle(document.body);
attachFade(document);
if (document.querySelector('[data-report]')) import('./report/report.js').then(({ attachReport }) => attachReport(document.body));
else if (document.querySelector('.report-grid, [data-chart]')) import('./report/read.js').then(({ attachCharts }) => attachCharts(document.body));
if (document.querySelector('[data-form-editor]')) import('./form/form.js').then(({ attachForm }) => attachForm(document.body));
else if (document.querySelector('[data-page]')) import('./page/page.js').then(({ attachPage }) => attachPage(document.body));
else if (document.querySelector('[data-editor]')) {
    // By far the largest part, and only needed here.
    import('./editor/editor.js').then(({ attachEditor }) => attachEditor(document.body));
}
if (document.querySelector('[data-sheet]')) import('./sheet/sheet.js').then(({ attachSheet }) => attachSheet(document.body));
if (document.querySelector('[data-drop]')) import('./file/send.js').then(({ attachDrops }) => attachDrops(document.body));
const foot = document.querySelector('.foot:not([data-foot]) [data-small-ribbon]');
if (foot) import('./ribbon/small.js').then(({ smallRibbon }) => smallRibbon(/** @type {HTMLCanvasElement} */ (foot)));
attachHistory(document.body);
attachPlan(document.body);

if ('serviceWorker' in navigator) {
    navigator.serviceWorker.register('/offline.js').catch(() => {});
    keepOwn();
}
