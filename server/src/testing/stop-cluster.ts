import { postgres } from './start-cluster';

export default async function stopCluster(): Promise<void> {
  postgres('destroy');
}
