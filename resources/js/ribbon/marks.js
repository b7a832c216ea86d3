/**
 * @typedef {[number: number, lane: number, added: number, removed: number, seconds: number, begins: number, source: number]} Version
 * @typedef {{lanes: {id: number, name: string, monogram: string, colour: number}[], versions: Version[], milestones: [number, string][], published: [number, string][], unusual: [number, string][], pins: number[], gaps: [number, string][], talk: [number: number, who: number, colour: number, said: string][], proposed: [number: number, who: number, colour: number, said: string, taken: number[], id: number][], sittings: number}}
 *     Ribbon
 */

/** @param {number} words @param {number} most @returns {number} the height of a mark in pixels, logarithmic */
export const height = (words, most) => (words === 0 ? 0 : Math.min(most, 3 + Math.log2(1 + words) * (most / 8)));

/** @param {Element} element @returns {(name: string) => string} the value of a token here, in this theme */
export const token = (element) => {
    const style = getComputedStyle(element);
    return (name) => style.getPropertyValue(name).trim();
};

/** @param {HTMLCanvasElement} canvas @param {number} width @param {number} tall @returns {CanvasRenderingContext2D} sharp on any screen */
export function sized(canvas, width, tall) {
    const scale = devicePixelRatio || 1;
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(tall * scale);
    canvas.style.width = `${width}px`;
    canvas.style.height = `${tall}px`;
    const context = /** @type {CanvasRenderingContext2D} */ (canvas.getContext('2d'));
    context.scale(scale, scale);
    return context;
}

/**
 * A version's mark: solid up for what it added, hollow down for what it removed; a dot when it did neither.
 *
 * @param {CanvasRenderingContext2D} context
 * @param {Version} version
 * @param {{x: number, y: number, width: number, most: number, colour: string, paper: string}} at the middle of its lane
 */
export function mark(context, [, , added, removed], { x, y, width, most, colour, paper }) {
    const [up, down] = [height(added, most), height(removed, most)];
    context.fillStyle = colour;
    context.strokeStyle = colour;
    context.lineWidth = 1.25;
    if (up > 0) {
        context.beginPath();
        context.roundRect(x - width / 2, y - up, width, up, 1.5);
        context.fill();
    }
    if (down > 0) {
        context.beginPath();
        context.roundRect(x - width / 2 + 0.6, y + 0.6, width - 1.2, down, 1.5);
        context.fillStyle = paper;
        context.fill();
        context.stroke();
    }
    if (up === 0 && down === 0) {
        context.beginPath();
        context.arc(x, y, Math.min(2.5, width / 2), 0, 7);
        context.fill();
    }
}

/**
 * The names of the lanes, each at the middle of its own.
 *
 * @param {{name: string, monogram: string, colour: number}[]} lanes
 * @param {(lane: number) => number} y
 * @returns {HTMLElement[]}
 */
export const laneNames = (lanes, y) => lanes.map(({ name, monogram, colour }, lane) => {
    const row = document.createElement('div');
    row.style.top = `${y(lane)}px`;
    const tag = document.createElement('span');
    tag.className = `monogram by-${colour}`;
    tag.textContent = monogram;
    row.append(name, tag);
    return row;
});
