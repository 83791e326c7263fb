// Holds every fleet's records against what was written of them: npm run audit [-- --head 412:3f9a…]
import { checkFleet } from '../proof';
import { connect, everyFleet, serverUrl } from '../store';
import { runCommand } from './run-command';

/** An entry that is known from elsewhere, like one printed on a certificate: its number and its sum. */
function knownHead(args: readonly string[]): { nr: string; hash: string } | null {
  const at = args.indexOf('--head');
  if (at < 0) return null;
  const [, nr, hash] = /^(\d+):([0-9a-f ]{8,})$/.exec(args[at + 1] ?? '') ?? [];
  if (!nr || !hash) throw new Error('write an entry as its number and its sum: --head 412:3f9a…');
  return { nr, hash: hash.replaceAll(' ', '') };
}

runCommand(async ({ databaseUrl }) => {
  const known = knownHead(process.argv.slice(2));
  const { db, pool } = connect(serverUrl(databaseUrl));
  let wrong = 0;
  let found = false;
  try {
    for (const { id, slug } of await everyFleet(databaseUrl)) {
      const { entries, rows, head, problems, known: has } = await checkFleet(db, id, known?.nr);
      found ||= known !== null && (has?.startsWith(known.hash) ?? false);
      console.log(
        `${slug}: ${entries} entries, ${rows} rows of facts. ${head ? `Newest ${head.nr}:${head.hash}` : 'Nothing recorded.'}`,
      );
      for (const { wrong: how, what, which } of problems) console.log(`  ${what} ${which}: ${how}`);
      wrong += problems.length;
    }
  } finally {
    await pool.end();
  }
  if (known && !found) throw new Error(`no fleet has an entry ${known.nr} with that sum`);
  if (wrong) throw new Error('The records are not as they were written.');
  console.log('All of it is as it was written.');
});
