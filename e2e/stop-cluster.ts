import { postgres } from './cluster';

/** Ends the cluster, unless whoever started it before the tests wants it kept. */
export default async function stopCluster(): Promise<void> {
  if (!process.env.E2E_KEEP) postgres('destroy');
}
