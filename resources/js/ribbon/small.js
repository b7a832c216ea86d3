import { mark, sized, token } from './marks.js';

const STEP = 11;
const TALL = 36;

/**
 * The small ribbon at the foot of the sheet: the last versions on one lane, the newest at the lamp.
 *
 * @param {HTMLCanvasElement} canvas
 */
export function smallRibbon(canvas) {
    /** @type {import('./marks.js').Ribbon} */
    const { lanes, versions } = JSON.parse(canvas.dataset.smallRibbon ?? '{}');
    const room = Math.floor((canvas.parentElement?.clientWidth ?? 900) * 0.42);
    const shown = versions.slice(-Math.max(4, Math.floor(room / STEP)));
    const width = shown.length * STEP + 12;
    const context = sized(canvas, width, TALL);
    const value = token(canvas);
    context.strokeStyle = value('--mist-3');
    context.beginPath();
    context.moveTo(0, TALL / 2);
    context.lineTo(width, TALL / 2);
    context.stroke();
    shown.forEach((version, at) => {
        mark(context, version, {
            x: 6 + at * STEP,
            y: TALL / 2,
            width: 6,
            most: 13,
            colour: value(`--editor-${lanes[version[1]].colour}`),
            paper: value('--paper'),
        });
    });
    context.fillStyle = value('--lamp');
    context.fillRect(width - 5, 2, 3, TALL - 4);
}
