/**
 * Places in pictures that are talked about, and the one that somebody is about to talk about. Marks lie over the picture, beside it in the
 * tree.
 *
 * @param {HTMLElement} root
 */
export function spots(root) {
    /** @type {Map<HTMLElement, {picture: HTMLImageElement, across: number, down: number}>} mark => where it lies */
    const marks = new Map();
    const moved = new ResizeObserver(() => marks.forEach(put));

    /** @param {{picture: HTMLImageElement, across: number, down: number}} at @param {HTMLElement} mark */
    const put = ({ picture, across, down }, mark) => {
        const [box, around] = [picture.getBoundingClientRect(), /** @type {HTMLElement} */ (mark.parentElement).getBoundingClientRect()];
        mark.style.left = `${box.left - around.left + (box.width * across) / 100}px`;
        mark.style.top = `${box.top - around.top + (box.height * down) / 100}px`;
    };
    /** @param {HTMLElement} mark @param {HTMLImageElement} picture @param {number} across @param {number} down */
    const lay = (mark, picture, across, down) => {
        // What is written in is no place for marks.
        const place = /** @type {HTMLElement} */ (picture.closest('.ProseMirror')?.parentElement ?? picture.parentElement);
        place.classList.add('has-spots');
        place.append(mark);
        marks.set(mark, { picture, across, down });
        moved.observe(picture);
        put({ picture, across, down }, mark);
    };
    /** @param {HTMLElement} mark */
    const take = (mark) => {
        marks.delete(mark);
        mark.remove();
    };
    /** @param {string} className @param {string} text */
    const made = (className, text) => Object.assign(document.createElement('a'), { className, textContent: text });

    /** @type {HTMLElement[]} */
    let shown = [];
    return {
        /** Marks what slips say, by their numbers. */
        show: () => {
            shown.forEach(take);
            shown = [];
            for (const slip of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-slip][data-spot]'))) {
                const [across, down, chunk] = (slip.dataset.spot ?? '').split(',');
                const picture = pictureOf(root, slip.dataset.of ?? '');
                slip.querySelector('.spot-number')?.remove();
                // Another picture may be there since.
                if (!picture || !(picture.dataset.chunk ?? picture.src).includes(chunk)) continue;
                const number = String(shown.length + 1);
                const mark = Object.assign(made('spot', number), {
                    href: `#thread-${slip.dataset.slip}`,
                    title: slip.getAttribute('aria-label') ?? '',
                });
                lay(mark, picture, Number(across), Number(down));
                slip.querySelector('.slip-who')?.append(
                    Object.assign(document.createElement('span'), { className: 'spot-number', textContent: number }),
                );
                shown.push(mark);
            }
        },
        /**
         * Asks for a place in the picture that a form is about, if it is about one. @param {HTMLFormElement} form @param {string} part
         * @returns {() => void}
         */
        ask: (form, part) => {
            const [picture, fields] = [
                pictureOf(root, part),
                /** @type {HTMLFieldSetElement | null} */ (form.querySelector('[data-talk-spot]')),
            ];
            if (!picture || !fields) return () => {};
            fields.hidden = fields.disabled = false;
            const [across, down] = /** @type {HTMLInputElement[]} */ ([...fields.querySelectorAll('input[type="range"]')]);
            const whole = /** @type {HTMLInputElement} */ (fields.querySelector('[data-talk-whole]'));
            const mark = made('spot is-asked', '');
            const draw = () => {
                across.disabled = down.disabled = mark.hidden = whole.checked;
                if (!whole.checked) lay(mark, picture, Number(across.value), Number(down.value));
            };
            /** @param {MouseEvent} event */
            const press = (event) => {
                // What is written around the picture keeps its place, and the words their field.
                event.preventDefault();
                event.stopPropagation();
                if (event.type === 'click') return;
                const box = picture.getBoundingClientRect();
                whole.checked = false;
                across.value = String(((event.clientX - box.left) / box.width) * 100);
                down.value = String(((event.clientY - box.top) / box.height) * 100);
                draw();
            };
            for (const name of /** @type {const} */ (['mousedown', 'click'])) picture.addEventListener(name, press, true);
            fields.addEventListener('input', draw);
            draw();
            return () => {
                for (const name of /** @type {const} */ (['mousedown', 'click'])) picture.removeEventListener(name, press, true);
                take(mark);
            };
        },
        dispose: () => {
            moved.disconnect();
            [...marks.keys()].forEach(take);
        },
    };
}

/** @param {HTMLElement} root @param {string} part @returns {HTMLImageElement | null} the picture that shows a part as it is */
function pictureOf(root, part) {
    if (part === '') return null;
    const at = CSS.escape(part);
    const found = /** @type {HTMLElement[]} */ ([
        ...root.querySelectorAll(`img[data-part="${at}"], [data-part="${at}"] img, #part-${at} img`),
    ]).filter((picture) => picture.getClientRects().length > 0);
    return /** @type {HTMLImageElement | null} */ (found[found.length - 1] ?? null);
}
