// Makes a seeded fleet of many units: npm run demo:large -- --units 10000
import { parseArgs } from 'node:util';
import { DEMO_PASSWORD } from '../demo/fleet';
import { LARGE, makeLarge } from '../demo/large';
import { prepareDatabase } from '../store';
import { runCommand } from './run-command';

const MOST_UNITS = 100_000;

runCommand(async ({ databaseUrl, migrations }) => {
  const { values } = parseArgs({ options: { units: { type: 'string', default: '10000' } } });
  const units = Number(values.units);
  if (!Number.isInteger(units) || units < 1 || units > MOST_UNITS)
    throw new Error(`--units is “${values.units}”: give a number from 1 to ${MOST_UNITS}`);
  await prepareDatabase(databaseUrl, migrations);
  const readings = await makeLarge(databaseUrl, { units, now: new Date(), say: console.log });
  if (readings === null) throw new Error(`${LARGE.name} is in this database already: begin anew with ./start --fresh`);
  console.log(
    `${LARGE.name}: ${units} units, ${readings} readings. Sign in as foreman@${LARGE.slug}, ${DEMO_PASSWORD}.`,
  );
});
