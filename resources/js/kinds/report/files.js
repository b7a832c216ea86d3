import { draw } from './chart.js';
import { inlined, nameOf, offer } from './pictures.js';
import { place } from './places.js';
import { inWords } from '../../common/words.js';

/**
 * Shows all pages for a while, with their charts drawn for the room that they have then. @param {HTMLElement} root @returns {() => void}
 * hides them again
 */
function unfolded(root) {
    const hidden = /** @type {HTMLElement[]} */ ([...root.querySelectorAll('[data-report-page][hidden]')]);
    for (const page of hidden) page.hidden = false;
    place(root);
    for (const box of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-chart]')))
        if (box.clientWidth > 0) draw(box, JSON.parse(box.dataset.chart ?? '{}'));
    return () => {
        for (const page of hidden) page.hidden = true;
    };
}

/** Prints all pages. @param {HTMLElement} root */
export function printAll(root) {
    const fold = unfolded(root);
    addEventListener('afterprint', fold, { once: true });
    print();
}

/**
 * Saves a report as one file that needs nothing else: its charts as they are drawn, its figures, and its looks. @param {HTMLElement} root
 */
export async function savePage(root) {
    const fold = unfolded(root);
    const body = /** @type {HTMLElement} */ (/** @type {HTMLElement} */ (root.querySelector('.report-sheet')).cloneNode(true));
    fold();
    for (const gone of body.querySelectorAll(
        '.report-tabs, h2.is-sr-only, .widget-do, .widget-size, .widget-files, .widget-mend, button, form, script',
    ))
        gone.remove();
    for (const link of body.querySelectorAll('a')) link.replaceWith(...link.childNodes);
    for (const image of /** @type {NodeListOf<HTMLImageElement>} */ (body.querySelectorAll('img'))) image.src = await inlined(image.src);
    for (const page of /** @type {NodeListOf<HTMLElement>} */ (body.querySelectorAll('[data-report-page]'))) {
        const heading = document.createElement('h2');
        heading.textContent = page.getAttribute('aria-label');
        page.prepend(heading);
    }
    for (const one of body.querySelectorAll('*'))
        for (const { name } of [...one.attributes]) if (name.startsWith('data-') || name === 'tabindex') one.removeAttribute(name);
    // The sheets themselves: rules that are read back have lost what is set by tokens.
    const sheets = await Promise.all([...document.styleSheets].map(async (sheet) => (sheet.href ? (await fetch(sheet.href)).text() : '')));
    const rules = sheets.map((text) => text.replace(/@font-face\s*\{[^}]*\}/g, ''));
    const title =
        document.querySelector('.head-name') instanceof HTMLInputElement
            ? /** @type {HTMLInputElement} */ (document.querySelector('.head-name')).value
            : (document.querySelector('h1')?.textContent ?? inWords('report.files.report'));
    const page = document.implementation.createHTMLDocument(title);
    page.documentElement.lang = 'en';
    // As text: a style would be applied at once, and that is not allowed here.
    const style = `${rules.join('\n')}\nhtml{overflow:auto}h1,h2,h3,p,ul,table{margin:0;padding:0}table{border-collapse:collapse}body{margin:0;background:var(--mist-1);color:var(--ink);font:400 1rem/1.5 system-ui,sans-serif}h1,.report-page>h2{margin:0;padding:18px 18px 0}`;
    page.head.insertAdjacentHTML(
        'afterbegin',
        '<meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><meta http-equiv="Content-Security-Policy" content="default-src \'none\'; style-src \'unsafe-inline\'; img-src data:">',
    );
    const heading = page.createElement('h1');
    heading.textContent = title;
    page.body.append(heading, page.importNode(body, true));
    offer(
        new Blob(
            [
                `<!doctype html>\n${page.documentElement.outerHTML.replace('</head>', () => `<style>${style.replaceAll('</', '<\\/')}</style></head>`)}\n`,
            ],
            { type: 'text/html' },
        ),
        `${nameOf(title)}.html`,
    );
}
