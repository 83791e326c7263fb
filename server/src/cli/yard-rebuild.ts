// Makes the yards of fleets anew from the facts: npm run yard:rebuild -- lowmarsh
import { parseArgs } from 'node:util';
import { fleetBySlug } from '../access';
import { connect, inFleet, prepareDatabase } from '../store';
import { rebuildYard } from '../yard';
import { runCommand } from './run-command';

runCommand(async ({ databaseUrl, migrations }) => {
  const { positionals } = parseArgs({ allowPositionals: true });
  if (positionals.length === 0) throw new Error('Name the fleets whose yards to rebuild, as they sign in: lowmarsh');
  await prepareDatabase(databaseUrl, migrations);
  const { pool, db } = connect(databaseUrl);
  try {
    for (const slug of positionals) {
      const fleet = await fleetBySlug(db, slug);
      if (!fleet) throw new Error(`There is no fleet “${slug}” here`);
      const units = await inFleet(db, fleet.fleetId, (store) => rebuildYard(store, fleet.fleetId));
      console.log(`${fleet.name}: ${units} units`);
    }
  } finally {
    await pool.end();
  }
});
