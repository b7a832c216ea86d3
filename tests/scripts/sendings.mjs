/**
 * What a window sends of a sheet in which somebody does this and that: a line of JSON for each sending, with the state that it starts from,
 * the edits, and the sheet as it is in the window then. What the server makes of it is held against that by tests/Core/SendingsTest.php.
 *
 *   node tests/scripts/sendings.mjs SEED [LIVES]
 */
import { Random } from './random.mjs';
import { seedIds, smallSheet, Someone } from './someone.mjs';

const [seed, lives = 1] = process.argv.slice(2).map(Number);
let random = new Random(seed);
seedIds(() => random);

for (let life = 0; life < lives; life++) {
    random = new Random(seed + life);
    let base = smallSheet(random);
    const someone = new Someone(base, random);
    const { sheet } = someone;
    for (let sending = 0; sending < 12; sending++) {
        for (let steps = 1 + random.under(7); steps > 0; steps--) someone.step();
        const edits = sheet.take();
        const after = sheet.whole();
        process.stdout.write(`${JSON.stringify({ at: `life ${seed + life}, sending ${sending}`, base, edits, after })}\n`);
        // One in four does not arrive, and goes with the next.
        if (random.under(4) === 0) sheet.untake();
        else {
            base = structuredClone(after);
            sheet.sent = null;
        }
    }
}
