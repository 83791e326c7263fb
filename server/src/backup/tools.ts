import { execFile } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);
const DEBIAN = '/usr/lib/postgresql';

/** PostgreSQL's own tool: the newest that Debian has installed, else whatever the path leads to. */
function toolPath(tool: string): string {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN).sort((a, b) => Number(b) - Number(a)) : [];
  return versions.map((version) => join(DEBIAN, version, 'bin', tool)).find((path) => existsSync(path)) ?? tool;
}

/** Runs one of PostgreSQL's tools on a database. Its password stands in no list of processes. */
export async function pgTool(tool: 'pg_dump' | 'pg_restore', url: string, args: readonly string[]): Promise<void> {
  const bare = new URL(url);
  const password = decodeURIComponent(bare.password);
  bare.password = '';
  const env = { ...process.env, PGPASSWORD: password, PGTZ: 'UTC' };
  await run(toolPath(tool), ['--dbname', bare.toString(), ...args], { env, maxBuffer: 16 * 1024 * 1024 }).catch(
    (error: { stderr?: string; message: string }) => {
      const [first] = (error.stderr ?? '').split('\n').filter(Boolean);
      throw new Error(`${tool}: ${first ?? error.message}`);
    },
  );
}
