/** A stream of numbers from a seed (mulberry32), and documents made with it. */
export class Random {
    constructor(seed) {
        this.seed = seed;
        this.state = seed >>> 0;
        this.ids = 0;
    }

    under(bound) {
        this.state = (this.state + 0x6d2b79f5) >>> 0;
        let t = this.state;
        t = Math.imul(t ^ (t >>> 15), t | 1);
        t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
        return ((t ^ (t >>> 14)) >>> 0) % bound;
    }

    pick(list) {
        return list[this.under(list.length)];
    }

    text() {
        const runs = [];
        for (let i = this.under(7); i > 0; i--) {
            const words = `${this.pick(['bench', 'socket', 'the', 'log', 'Überholung', '🔧', 'line\nbreak'])} `;
            const marks = this.under(5) === 0 ? { bold: true } : {};
            const last = runs[runs.length - 1];
            if (last && JSON.stringify(last[1] ?? {}) === JSON.stringify(marks)) last[0] += words;
            else runs.push(Object.keys(marks).length ? [words, marks] : [words]);
        }
        return { runs };
    }

    block(prefix) {
        const id = () => `${prefix}${String(++this.ids).padStart(4, '0')}`;
        switch (this.under(7)) {
            case 0: return [[id(), 'heading', 0, { level: 1 + this.under(4), text: this.text() }]];
            case 1: return [[id(), 'item', 0, { style: this.pick(['bullet', 'number', 'task']), done: false, text: this.text() }]];
            case 2: return [[id(), 'rule', 0, {}]];
            case 3: {
                const cells = () => [0, 1].map(() => [id(), 'cell', 2, { head: false, text: this.text() }]);
                return [[id(), 'table', 0, {}], [id(), 'row', 1, {}], ...cells(), [id(), 'row', 1, {}], ...cells()];
            }
            default: return [[id(), 'paragraph', 0, { text: this.text() }]];
        }
    }

    parts(count, prefix = 'p') {
        const parts = [];
        while (parts.length < count) parts.push(...this.block(prefix));
        return parts;
    }

    /** The positions at which a block begins, and the end. */
    tops(parts) {
        return [...parts.keys()].filter((at) => parts[at][2] === 0).concat(parts.length);
    }

    edited(parts, edits, prefix = 'q') {
        const now = structuredClone(parts);
        for (; edits > 0; edits--) {
            const tops = this.tops(now);
            const at = this.under(tops.length - 1 || 1);
            const [from, to] = [tops[at], tops[at + 1] ?? tops[at]];
            switch (this.under(4)) {
                case 0:
                    now.splice(tops[at], 0, ...this.block(prefix));
                    break;
                case 1:
                    if (tops.length > 2) now.splice(from, to - from);
                    break;
                default: {
                    const texts = now.filter((part) => part[3].text);
                    if (texts.length) {
                        const part = this.pick(texts);
                        part[3].text =
                            this.under(3) === 0
                                ? this.text()
                                : { runs: [...part[3].text.runs, [`more ${this.under(9)}`, { italic: true }]] };
                    }
                }
            }
        }
        return now.length ? now : parts;
    }
}

/** Runs a property for many seeds; set SEED to repeat one. */
export function rounds(property, count = 400) {
    const first = Number(process.env.SEED ?? Math.floor(Math.random() * 1e6));
    console.log(`# SEED=${first}`);
    for (let seed = first; seed < first + count; seed++) {
        try {
            property(new Random(seed));
        } catch (error) {
            error.message = `SEED=${seed}: ${error.message}`;
            throw error;
        }
    }
}
