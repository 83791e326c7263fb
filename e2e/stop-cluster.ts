import { postgres } from './cluster';

export default async function stopCluster(): Promise<void> {
  postgres('destroy');
}
