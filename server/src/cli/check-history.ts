// Holds a unit's exported history against itself, without any server: npm run check-history -- history.json
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { historySchema, wrongIn } from '@zealous-axle/core';

const [name] = process.argv.slice(2);
if (!name) {
  console.error('name the file: npm run check-history -- history.json');
  process.exit(1);
}
const read = historySchema.safeParse(JSON.parse(readFileSync(resolve(process.env.INIT_CWD ?? '.', name), 'utf8')));
if (!read.success) {
  console.error('This is no history of a unit.');
  process.exit(1);
}
const { unit, fleet, entries, head, made } = read.data;
const sha256 = async (of: string | Uint8Array) => createHash('sha256').update(of).digest('hex');
wrongIn(read.data, sha256).then((wrong) => {
  for (const each of wrong) console.log(`entry ${each.nr}: ${each.wrong}${each.row ? `, ${each.row}` : ''}`);
  const own = entries.filter(({ rows, event }) => rows !== undefined || event !== undefined).length;
  console.log(
    `${unit.number} of ${fleet.name}, made ${made}: ${own} entries of its own. Newest of the fleet ${head.nr}:${head.hash}`,
  );
  console.log(
    wrong.length
      ? 'It is NOT as it was written.'
      : 'It holds by itself up to its newest entry. Compare that with one you know from elsewhere: what is newer may have been left out.',
  );
  process.exit(wrong.length ? 1 : 0);
});
