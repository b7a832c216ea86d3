// The same work by npm packages, for bench/core.php: reads a list of jobs from a file and prints the median of their
// processor time in milliseconds. A job that would take too long is measured once.
import { readFileSync } from 'node:fs';
import { diffLines, diffWordsWithSpace } from 'diff';
import DiffMatchPatch from 'diff-match-patch';
import daff from 'daff';

// Whoever takes longer than 20 s is stopped where it can be.
const LIMIT = 20_000;

const jobs = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const text = (name) => readFileSync(name, 'utf8');

/** @type {Record<string, (old: string, now: string) => unknown>} */
const work = {
    'diff lines': (old, now) => diffLines(old, now, { timeout: LIMIT }),
    'diff words': (old, now) => diffWordsWithSpace(old, now, { timeout: LIMIT }),
    'diff-match-patch lines': (old, now) => {
        const dmp = new DiffMatchPatch();
        dmp.Diff_Timeout = LIMIT / 1000;
        const packed = dmp.diff_linesToChars_(old, now);
        const found = dmp.diff_main(packed.chars1, packed.chars2, false);
        dmp.diff_charsToLines_(found, packed.lineArray);
        return found;
    },
    'diff-match-patch words': (old, now) => {
        const dmp = new DiffMatchPatch();
        dmp.Diff_Timeout = LIMIT / 1000;
        // Its own way to words: one character for each, as it does for lines.
        const [a, b] = [old, now].map((side) =>
            (side.match(/\s+|[^\s]+/g) ?? []).map((word) => word.replaceAll('\n', ' ') + '\n').join(''),
        );
        const packed = dmp.diff_linesToChars_(a, b);
        return dmp.diff_main(packed.chars1, packed.chars2, false);
    },
    daff: (old, now) => compareTables(old, now),
    'daff with key': (old, now) => compareTables(old, now, 'c0'),
};

function compareTables(/** @type {string} */ old, /** @type {string} */ now, /** @type {string|undefined} */ key) {
    const [a, b] = [old, now].map((side) => new daff.TableView(JSON.parse(side)));
    const flags = new daff.CompareFlags();
    if (key) flags.addPrimaryKey(key);
    const alignment = daff.compareTables(a, b, flags).align();
    const out = new daff.TableView([]);
    new daff.TableDiff(alignment, flags).hilite(out);
    return out;
}

const results = jobs.map((/** @type {{work: string, old: string, now: string, times: number}} */ job) => {
    const [old, now] = [text(job.old), text(job.now)];
    const times = [];
    for (let round = 0; round < job.times; round++) {
        const start = process.cpuUsage();
        work[job.work](old, now);
        const used = process.cpuUsage(start);
        times.push((used.user + used.system) / 1000);
        if (times[0] > 4000) break;
    }
    times.sort((one, two) => one - two);
    return times[Math.floor(times.length / 2)];
});
process.stdout.write(JSON.stringify(results));
