import { existsSync, mkdirSync, rmdirSync, writeFileSync } from 'node:fs';

const V2 = existsSync('/sys/fs/cgroup/cgroup.controllers');
const PERIOD_US = 100_000;

/** Gives a process so much of one core and no more, so that what scales is seen on a small machine too. Gives the way back; null where this user may not. */
export function quota(pid: number, share: number): (() => void) | null {
  const folder = `${V2 ? '/sys/fs/cgroup' : '/sys/fs/cgroup/cpu'}/axle-bench-${pid}`;
  const micros = Math.round(share * PERIOD_US);
  try {
    mkdirSync(folder);
    if (V2) writeFileSync(`${folder}/cpu.max`, `${micros} ${PERIOD_US}`);
    else {
      writeFileSync(`${folder}/cpu.cfs_period_us`, String(PERIOD_US));
      writeFileSync(`${folder}/cpu.cfs_quota_us`, String(micros));
    }
    writeFileSync(`${folder}/cgroup.procs`, String(pid));
  } catch {
    return null;
  }
  return () => rmdirSync(folder);
}
