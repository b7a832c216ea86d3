import * as Plot from '@observablehq/plot';
import { inWords } from '../../common/words.js';

/**
 * @typedef {{name: string, values: (number | null)[], said: string[]}} Series
 * @typedef {{type: string, label: string, time: boolean, split: boolean, keys: string[], series: Series[], earlier?: Chart | null}} Chart
 * @typedef {{key: string, value: number | null, series: string, said: string}} Point
 */

const COLOURS = 8;

/** Pixels that the names of the series need above a chart. */
const LEGEND = 20;

/** @param {Chart} chart @returns {Point[]} */
const points = (chart) =>
    chart.series.flatMap((series) =>
        chart.keys.map((key, at) => ({ key, value: series.values[at], series: series.name, said: series.said[at] })),
    );

/** So many names as there is room for. @param {string[]} keys @param {number} room */
const thinned = (keys, room) => {
    const step = Math.max(1, Math.ceil((keys.length * Math.min(90, 14 + 7.8 * Math.max(...keys.map((key) => key.length)))) / room));
    return keys.filter((_, at) => at % step === 0);
};

/**
 * Draws the figures of a widget, the earlier ones hatched or dashed behind them where there are any.
 *
 * @param {HTMLElement} box
 * @param {Chart} chart
 */
export function draw(box, chart) {
    const width = Math.max(180, box.clientWidth);
    const earlier = chart.earlier ?? null;
    const isNamed = chart.series.length > 1 || chart.split || earlier !== null;
    const height = Math.max(100, box.clientHeight - (isNamed ? LEGEND : 0));
    const keys = earlier ? [...new Set([...earlier.keys, ...chart.keys])] : chart.keys;
    const names = [...new Set([...chart.series, ...(earlier?.series ?? [])].map((series) => series.name))];
    const colour = (/** @type {string} */ name) => `var(--series-${(names.indexOf(name) % COLOURS) + 1})`;
    const longest = Math.max(0, ...keys.map((key) => key.length));
    const lying = ['bars', 'stacked'].includes(chart.type) && !chart.time && (longest > 10 || keys.length > 9);
    const now = points(chart);
    const then = earlier ? points(earlier) : [];
    const named = chart.series.length > 1 || chart.split;
    const how = {
        width,
        height,
        marginLeft: lying ? Math.min(width / 3, 16 + 6.6 * Math.min(longest, 26)) : 46,
        marginBottom: chart.type === 'parts' ? 10 : 28,
        marginTop: 14,
        ariaLabel: chart.label,
        style: { background: 'none' },
    };
    const across = { type: /** @type {'band'} */ ('band'), domain: keys, label: null, padding: 0.25, ticks: thinned(keys, width - 60) };
    const up = {
        label: null,
        grid: true,
        ticks: Math.max(2, Math.round(height / 46)),
        nice: true,
        zero: true,
        tickFormat: /** @type {any} */ ('~s'),
    };
    const title = (/** @type {Point} */ point) => `${named ? `${point.series}, ` : ''}${point.key}: ${point.said}`;
    const fill = (/** @type {Point} */ point) => colour(point.series);
    /** @type {import('@observablehq/plot').PlotOptions} */
    let options;
    if (chart.type === 'parts') {
        const parts = (earlier ? [['then', then], ['now', now]] : [['now', now]]).flatMap(([row, of]) => {
            const all = /** @type {Point[]} */ (of).reduce((sum, point) => sum + Math.max(0, point.value ?? 0), 0) || 1;
            return /** @type {Point[]} */ (of).map((point) => ({ ...point, row, share: Math.max(0, point.value ?? 0) / all }));
        });
        const tint = (/** @type {{key: string}} */ point) => `var(--series-${(keys.indexOf(point.key) % COLOURS) + 1})`;
        options = {
            ...how,
            marginLeft: earlier ? 46 : 8,
            marginRight: 8,
            x: { axis: null, domain: [0, 1] },
            y: { type: 'band', label: null, axis: earlier ? 'left' : null, padding: 0.18, domain: earlier ? ['then', 'now'] : ['now'] },
            marks: [
                Plot.barX(
                    parts,
                    Plot.stackX({
                        x: 'share',
                        y: 'row',
                        fill: tint,
                        title: (point) => `${point.key}: ${point.said}, ${Math.round(point.share * 100)} %`,
                        inset: 1,
                    }),
                ),
                Plot.text(
                    parts.filter((point) => point.share > 0.08),
                    Plot.stackX({
                        x: 'share',
                        y: 'row',
                        text: (point) =>
                            `${point.key.length > 14 ? `${point.key.slice(0, 13)}…` : point.key}\n${Math.round(point.share * 100)} %`,
                        fill: 'var(--series-ink)',
                        lineHeight: 1.2,
                    }),
                ),
            ],
        };
    } else if (lying) {
        // Of many bars every second or third is named.
        const step = Math.max(1, Math.ceil((keys.length * 13) / (height - 40)));
        options = {
            ...how,
            marginBottom: 24,
            marginRight: 44,
            x: { ...up, ticks: Math.max(2, Math.round(width / 110)) },
            y: {
                type: 'band',
                domain: keys,
                label: null,
                padding: 0.25,
                ticks: keys.filter((_, at) => at % step === 0),
                tickFormat: (/** @type {string} */ key) => (key.length > 26 ? `${key.slice(0, 25)}…` : key),
            },
            marks: [
                Plot.barX(
                    then,
                    Plot.stackX({ x: 'value', y: 'key', fill: 'url(#earlier)', stroke: 'var(--ink-2)', strokeDasharray: '3 2', title }),
                ),
                Plot.barX(
                    now,
                    Plot.stackX({
                        x: 'value',
                        y: 'key',
                        z: 'series',
                        fill,
                        insetTop: earlier ? 4 : 0,
                        insetBottom: earlier ? 4 : 0,
                        title,
                    }),
                ),
                Plot.ruleX([0], { stroke: 'var(--ink-2)' }),
                ...(named || earlier || step > 1
                    ? []
                    : [Plot.text(now, { x: 'value', y: 'key', text: 'said', textAnchor: 'start', dx: 4, fill: 'var(--ink)' })]),
            ],
        };
    } else if (chart.type === 'bars' && chart.series.length > 1) {
        options = {
            ...how,
            fx: { domain: keys, label: null, padding: 0.15, axis: 'bottom' },
            x: { axis: null, domain: names, padding: 0.08 },
            y: up,
            marks: [
                Plot.barY(then, {
                    fx: 'key',
                    x: 'series',
                    y: 'value',
                    fill: 'url(#earlier)',
                    stroke: 'var(--ink-2)',
                    strokeDasharray: '3 2',
                    title,
                }),
                Plot.barY(now, {
                    fx: 'key',
                    x: 'series',
                    y: 'value',
                    fill,
                    insetLeft: earlier ? 3 : 0,
                    insetRight: earlier ? 3 : 0,
                    title,
                }),
                Plot.ruleY([0], { stroke: 'var(--ink-2)' }),
            ],
        };
    } else if (['bars', 'stacked'].includes(chart.type)) {
        options = {
            ...how, x: across, y: up,
            marks: [
                ...(earlier && ['lines', 'areas', 'dots'].includes(earlier.type)
                    ? []
                    : [
                          Plot.barY(
                              then,
                              Plot.stackY({
                                  x: 'key',
                                  y: 'value',
                                  z: 'series',
                                  fill: 'url(#earlier)',
                                  stroke: 'var(--ink-2)',
                                  strokeDasharray: '3 2',
                                  title,
                              }),
                          ),
                      ]),
                Plot.barY(
                    now,
                    Plot.stackY({
                        x: 'key',
                        y: 'value',
                        z: 'series',
                        fill,
                        insetLeft: earlier ? 4 : 0,
                        insetRight: earlier ? 4 : 0,
                        title,
                    }),
                ),
                ...(earlier && ['lines', 'areas', 'dots'].includes(earlier.type) ? ghostLine(then, title) : []),
                Plot.ruleY([0], { stroke: 'var(--ink-2)' }),
            ],
        };
    } else {
        const area = chart.type === 'areas';
        const isStacked = area && chart.series.length > 1;
        const stacked = isStacked ? Plot.stackY : (/** @type {any} */ of) => of;
        const atTop = isStacked ? Plot.stackY2 : (/** @type {any} */ of) => of;
        const band = { ...across, type: /** @type {'point'} */ ('point'), padding: 0.5 };
        // Lines are named where they end, so that nobody has to tell them by colour.
        const ends = chart.series.length > 1 && keys.length > 1;
        options = {
            ...how, x: band, y: up, marginRight: ends ? 14 + 6.6 * Math.min(14, Math.max(...names.map((name) => name.length))) : 20,
            marks: [
                ...(earlier && ['bars', 'stacked'].includes(earlier.type)
                    ? [Plot.ruleX(then, { x: 'key', y: 'value', stroke: 'var(--mist-3)', strokeWidth: 10, title })]
                    : ghostLine(then, title)),
                ...(area ? [Plot.areaY(now, stacked({ x: 'key', y: 'value', z: 'series', fill, fillOpacity: 0.35 }))] : []),
                ...(chart.type === 'dots'
                    ? []
                    : [Plot.lineY(now, atTop({ x: 'key', y: 'value', z: 'series', stroke: fill, strokeWidth: 2.2 }))]),
                Plot.dot(
                    now.filter((point) => point.value !== null),
                    atTop({ x: 'key', y: 'value', z: 'series', fill, r: chart.type === 'dots' ? 5 : keys.length > 60 ? 1.5 : 3, title }),
                ),
                ...(ends
                    ? [
                          Plot.text(
                              now,
                              Plot.selectLast(
                                  atTop({
                                      x: 'key',
                                      y: 'value',
                                      z: 'series',
                                      text: (/** @type {Point} */ point) =>
                                          point.series.length > 14 ? `${point.series.slice(0, 13)}…` : point.series,
                                      fill: 'var(--ink)',
                                      textAnchor: 'start',
                                      dx: 8,
                                  }),
                              ),
                          ),
                      ]
                    : []),
                Plot.ruleY([0], { stroke: 'var(--ink-2)' }),
            ],
        };
    }
    const svg = Plot.plot(options);
    // What it would set inside the page is in our own styles: see the policy for content.
    svg.querySelectorAll('style').forEach((style) => style.remove());
    svg.insertAdjacentHTML(
        'afterbegin',
        '<defs><pattern id="earlier" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)"><rect width="6" height="6" fill="var(--paper)"/><path d="M0 0V6" stroke="var(--mist-3)" stroke-width="3"/></pattern></defs>',
    );
    svg.setAttribute('aria-hidden', 'true');
    box.replaceChildren(
        ...(isNamed
            ? [legend(chart.split || chart.series.length > 1 ? chart.series.map((series) => series.name) : [], colour, earlier !== null)]
            : []),
        svg,
    );
}

/** @param {Point[]} then @param {(point: Point) => string} title */
const ghostLine = (then, title) => [
    Plot.lineY(then, { x: 'key', y: 'value', z: 'series', stroke: 'var(--ink-2)', strokeWidth: 1.8, strokeDasharray: '4 3' }),
    Plot.dot(
        then.filter((point) => point.value !== null),
        { x: 'key', y: 'value', fill: 'var(--paper)', stroke: 'var(--ink-2)', strokeWidth: 1.6, r: 3.5, title },
    ),
];

/** @param {string[]} names @param {(name: string) => string} colour @param {boolean} earlier */
function legend(names, colour, earlier) {
    const list = document.createElement('p');
    list.className = 'chart-names';
    list.setAttribute('aria-hidden', 'true');
    for (const name of names) {
        const one = document.createElement('span');
        const sign = document.createElement('i');
        sign.style.background = colour(name);
        one.append(sign, name);
        list.append(one);
    }
    if (earlier) {
        const one = document.createElement('span');
        const sign = document.createElement('i');
        sign.className = 'is-earlier';
        one.append(sign, inWords('report.chart.as_it_was'));
        list.append(one);
    }
    return list;
}

/** Draws all charts in an element, and again when their room changes. @param {HTMLElement} root @returns {() => void} */
export function drawAll(root) {
    const drawn = new WeakMap();
    const one = (/** @type {HTMLElement} */ box) => {
        if (box.clientWidth === 0 || drawn.get(box) === `${box.clientWidth}x${box.clientHeight}`) return;
        drawn.set(box, `${box.clientWidth}x${box.clientHeight}`);
        draw(box, JSON.parse(box.dataset.chart ?? '{}'));
    };
    const seen = new ResizeObserver((entries) => { for (const entry of entries) one(/** @type {HTMLElement} */ (entry.target)); });
    for (const box of root.querySelectorAll('[data-chart]')) {
        one(/** @type {HTMLElement} */ (box));
        seen.observe(box);
    }
    return () => seen.disconnect();
}
