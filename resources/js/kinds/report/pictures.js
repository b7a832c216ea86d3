/** @typedef {{text: string, left: number, right: number, bottom: number, style: CSSStyleDeclaration}} Line */

const SPACE = 'http://www.w3.org/2000/svg';

/** Saves a drawn chart as a file. @param {HTMLElement} widget @param {string} as svg or png */
export async function savePicture(widget, as) {
    const svg = /** @type {SVGSVGElement | null} */ (widget.querySelector('[data-chart] svg'));
    if (svg)
        await save(
            /** @type {SVGSVGElement} */ (svg.cloneNode(true)),
            svg.clientWidth,
            svg.clientHeight,
            as,
            nameOf(widget.getAttribute('aria-label')),
        );
}

/** Saves a page with all that is on it, as it is seen. @param {HTMLElement} page @param {string} as svg or png */
export async function savePagePicture(page, as) {
    const grid = /** @type {HTMLElement} */ (page.querySelector('.report-grid'));
    const frame = grid.getBoundingClientRect();
    const whole = document.createElementNS(SPACE, 'svg');
    whole.setAttribute('xmlns', SPACE);
    whole.setAttribute('viewBox', `0 0 ${frame.width} ${frame.height}`);
    whole.append(box({ left: 0, top: 0, width: frame.width, height: frame.height }, 'var(--mist-1)'));
    for (const widget of /** @type {NodeListOf<HTMLElement>} */ (grid.querySelectorAll(':scope > .widget'))) {
        const at = widget.getBoundingClientRect();
        whole.append(box({ left: at.left - frame.left, top: at.top - frame.top, width: at.width, height: at.height }, 'var(--paper)'));
        for (const svg of /** @type {NodeListOf<SVGSVGElement>} */ (widget.querySelectorAll('[data-chart] svg'))) {
            const place = svg.getBoundingClientRect();
            const copy = /** @type {SVGSVGElement} */ (svg.cloneNode(true));
            for (const [name, value] of Object.entries({
                x: place.left - frame.left,
                y: place.top - frame.top,
                width: place.width,
                height: place.height,
                'font-family': 'sans-serif',
                'font-size': 12,
                color: 'var(--ink-2)',
            }))
                copy.setAttribute(name, String(value));
            whole.append(copy);
        }
        for (const image of /** @type {NodeListOf<HTMLImageElement>} */ (widget.querySelectorAll('img'))) {
            const place = image.getBoundingClientRect();
            const picture = document.createElementNS(SPACE, 'image');
            for (const [name, value] of Object.entries({
                x: place.left - frame.left,
                y: place.top - frame.top,
                width: place.width,
                height: place.height,
                href: await inlined(image.src),
            }))
                picture.setAttribute(name, String(value));
            whole.append(picture);
        }
        for (const line of lines(widget)) whole.append(words(line, frame));
    }
    await save(whole, frame.width, frame.height, as, nameOf(page.getAttribute('aria-label')));
}

/** The lines of text that are seen in an element, each with where it is. @param {HTMLElement} widget */
function lines(widget) {
    /** @type {Line[]} */
    const found = [];
    const walk = document.createTreeWalker(widget, NodeFilter.SHOW_TEXT);
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
        const parent = /** @type {HTMLElement} */ (node.parentElement);
        if (
            !node.textContent?.trim() ||
            parent.closest('svg, details:not([open]) > :not(summary), .widget-do, .widget-files, .widget-mend, button, summary') ||
            parent.getClientRects().length === 0
        )
            continue;
        const range = document.createRange();
        /** @type {Line | null} */
        let line = null;
        for (const word of node.textContent.matchAll(/\S+\s*/g)) {
            range.setStart(node, word.index);
            range.setEnd(node, word.index + word[0].trimEnd().length);
            const rect = range.getBoundingClientRect();
            if (rect.width === 0) continue;
            if (line && Math.abs(line.bottom - rect.bottom) < 3) {
                line.text += ` ${word[0].trim()}`;
                line.right = rect.right;
            } else
                found.push(
                    (line = {
                        text: word[0].trim(),
                        left: rect.left,
                        right: rect.right,
                        bottom: rect.bottom,
                        style: getComputedStyle(parent),
                    }),
                );
        }
    }
    return found;
}

/** Words keep the width that they have here, whatever face there is elsewhere. @param {Line} line @param {DOMRect} frame */
function words({ text, left, right, bottom, style }, frame) {
    const element = document.createElementNS(SPACE, 'text');
    const size = parseFloat(style.fontSize);
    for (const [name, value] of Object.entries({
        x: left - frame.left,
        y: bottom - frame.top - size * 0.26,
        textLength: right - left,
        lengthAdjust: 'spacingAndGlyphs',
        'font-size': size,
        'font-weight': style.fontWeight,
        'font-family': style.fontFamily.includes('Literata') ? 'serif' : 'sans-serif',
        fill: style.color,
    }))
        element.setAttribute(name, String(value));
    element.textContent = text;
    return element;
}

/** @param {{left: number, top: number, width: number, height: number}} at @param {string} fill */
function box({ left, top, width, height }, fill) {
    const element = document.createElementNS(SPACE, 'rect');
    for (const [name, value] of Object.entries({ x: left, y: top, width, height, fill })) element.setAttribute(name, String(value));
    return element;
}

/** @param {SVGSVGElement} svg @param {number} width @param {number} height @param {string} as @param {string} name */
async function save(svg, width, height, as, name) {
    // Outside of the page there are no styles: what they say is written into the picture.
    const own = getComputedStyle(document.documentElement);
    for (const [attribute, value] of Object.entries({ width, height, 'font-family': 'sans-serif', 'font-size': 12, color: 'var(--ink)' }))
        svg.setAttribute(attribute, String(value));
    const text = new XMLSerializer().serializeToString(svg).replace(/var\((--[\w-]+)\)/g, (_, token) => own.getPropertyValue(token).trim());
    const blob = new Blob([text], { type: 'image/svg+xml' });
    if (as === 'svg') return offer(blob, `${name}.svg`);
    const image = new Image();
    const url = URL.createObjectURL(blob);
    await new Promise((done, fail) => {
        image.onload = done;
        image.onerror = fail;
        image.src = url;
    });
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [Math.round(width * 2), Math.round(height * 2)];
    const context = canvas.getContext('2d');
    if (!context) return;
    context.fillStyle = own.getPropertyValue('--paper').trim() || '#fff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    URL.revokeObjectURL(url);
    canvas.toBlob((png) => png && offer(png, `${name}.png`));
}

/** @param {string | null} title */
export const nameOf = (title) => (title ?? '').toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'report';

/** @param {Blob} blob @param {string} file */
export function offer(blob, file) {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = file;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

/** @param {string} url @returns {Promise<string>} the file itself as an address */
export async function inlined(url) {
    const blob = await (await fetch(url)).blob();
    return new Promise((done) => {
        const reader = new FileReader();
        reader.onload = () => done(String(reader.result));
        reader.readAsDataURL(blob);
    });
}
