// Keeps everything in a file, and tries that it comes back: npm run backup -- /backups/axle.dump
import { basename, resolve } from 'node:path';
import { backUp, verify } from '../backup';
import { noteForAll } from '../proof';
import { connect, serverUrl } from '../store';
import { runCommand } from './run-command';

runCommand(async ({ databaseUrl, migrations }) => {
  const [name] = process.argv.slice(2);
  if (!name) throw new Error('name the file: npm run backup -- /backups/axle.dump');
  const file = resolve(process.env.INIT_CWD ?? '.', name);
  const { tables, tasks } = await backUp(databaseUrl, file, new Date());
  const rows = Object.values(tables).reduce((sum, each) => sum + each.rows, 0);
  console.log(`${file}: ${rows} rows of ${Object.keys(tables).length} tables, ${tasks.length} waiting tasks.`);
  const verified = await verify(databaseUrl, file, migrations);
  if (verified) {
    const { db, pool } = connect(serverUrl(databaseUrl));
    await noteForAll(databaseUrl, db, { kind: 'backed-up', what: basename(file), at: new Date() }).finally(() =>
      pool.end(),
    );
  }
  console.log(
    verified
      ? 'It was restored into a database of its own and holds the same.'
      : 'It was NOT tried: this owner may make no database. Restore it somewhere else to know that it comes back.',
  );
});
