import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { prepareDatabase } from '../store/migrate';

export const CLUSTER = join(__dirname, '../../../.data/test-cluster');
export const postgres = (act: string): string =>
  execFileSync(join(__dirname, '../../../scripts/postgres.sh'), [act], {
    env: { ...process.env, CLUSTER, CLUSTER_FAST: '1' },
    encoding: 'utf8',
  }).trim();

/** One throwaway cluster for the whole run; its migrated database is the template of every test file's own. */
export default async function startCluster(): Promise<void> {
  postgres('destroy');
  const url = postgres('start');
  process.env.TEST_CLUSTER_URL = url;
  await prepareDatabase(url);
}
