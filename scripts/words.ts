/** Prints all that the interface says, a line each with its place: `npm run words [folder or file…]`. */
import { labelsOf } from './labels.ts';

const asked = process.argv.slice(2);
const labels = asked.length > 0 ? labelsOf(asked) : labelsOf();
for (const { path, line, text } of labels) console.log(`${path}:${line}\t${text}`);
console.log(`${labels.length} labels and messages`);
