// Brings a backup back into an empty database: DATABASE_URL=… npm run restore -- /backups/axle.dump
import { resolve } from 'node:path';
import { restore } from '../backup';
import { noteForAll } from '../proof';
import { connect, serverUrl } from '../store';
import { runCommand } from './run-command';

runCommand(async ({ databaseUrl, migrations }) => {
  const [name] = process.argv.slice(2);
  if (!name) throw new Error('name the file: npm run restore -- /backups/axle.dump');
  const { madeAt, tables } = await restore(databaseUrl, resolve(process.env.INIT_CWD ?? '.', name), migrations);
  const { db, pool } = connect(serverUrl(databaseUrl));
  const what = `as of ${madeAt}`;
  await noteForAll(databaseUrl, db, { kind: 'restored', what, at: new Date() }).finally(() => pool.end());
  const rows = Object.values(tables).reduce((sum, each) => sum + each.rows, 0);
  console.log(
    `${rows} rows are back as they were on ${madeAt}, and hold the same. Start the program on this database.`,
  );
});
