// One more worker for the queue, on any machine that reaches the database: npm run worker
import { keepBefore } from '../backup';
import { openLive } from '../feeds';
import { connect, prepareDatabase, serverUrl } from '../store';
import { openWorker, plannerHere } from '../worker';
import { runCommand } from './run-command';

runCommand(async (settings) => {
  // A newer worker may come before the newer server: whichever changes the database keeps it first.
  if (settings.backups) await keepBefore(settings, new Date());
  await prepareDatabase(settings.databaseUrl, settings.migrations);
  const url = serverUrl(settings.databaseUrl);
  const { pool, db } = connect(url);
  const live = openLive(url);
  const planner = plannerHere(settings);
  const queue = await openWorker(settings, { db, live, planner });
  console.log('A worker takes tasks. Stop with Ctrl-C.');
  await new Promise<void>((resolve) => {
    process.once('SIGINT', () => resolve());
    process.once('SIGTERM', () => resolve());
  });
  await queue.close();
  await planner.close();
  await live.close();
  await pool.end();
});
