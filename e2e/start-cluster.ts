import { postgres, startProgram } from './cluster';

/** One throwaway cluster whose first database holds the demo fleet: each test works on a copy of it. */
export default async function startCluster(): Promise<void> {
  postgres('destroy');
  process.env.E2E_CLUSTER_URL = postgres('start');
  await (await startProgram(process.env.E2E_CLUSTER_URL)).stop();
}
