// A selection with as many contenders as a table holds: node large.mjs FILE > large.json
// FILE is a selection taken as a file from the demonstration; read the result in under Selections, then time it with
// what-if.mjs and its number.
import { readFileSync } from 'node:fs';

const MOST = 40;
const file = JSON.parse(readFileSync(process.argv[2], 'utf8'));
const contenders = [];
for (let i = 0; contenders.length < MOST; i++) {
  for (const contender of file.contenders) {
    if (contenders.length < MOST) {
      const { id, name } = contender.tool;
      const copy = i === 0 ? { id, name } : { id: `${id}-${i}`, name: `${name} ${i}` };
      contenders.push({ ...contender, tool: { ...contender.tool, ...copy } });
    }
  }
}
process.stdout.write(`${JSON.stringify({ ...file, contenders })}\n`);
