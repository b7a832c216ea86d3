/** The parts of a small sheet, as JSON: node tests/scripts/small-sheet.mjs SEED */
import { Random } from './random.mjs';
import { smallSheet } from './someone.mjs';

process.stdout.write(JSON.stringify(smallSheet(new Random(Number(process.argv[2])))));
