import { execFileSync, fork, spawn } from 'node:child_process';
import { join } from 'node:path';
import pg from 'pg';

const ROOT = join(__dirname, '..');
const CLUSTER = join(ROOT, '.data/e2e-cluster');

export const postgres = (act: string): string =>
  execFileSync(join(ROOT, 'scripts/postgres.sh'), [act], {
    env: { ...process.env, CLUSTER, CLUSTER_FAST: '1' },
    encoding: 'utf8',
  }).trim();

/** Tests beside each other leave each program one thread to plan with. */
const envOf = (database: string) => ({
  ...process.env,
  DATABASE_URL: database,
  PORT: '0',
  ZA_DEMO: '1',
  ZA_LOG: 'error',
  ZA_PLAN_THREADS: '1',
});

/** A running program: the built server over one database. */
export interface Program {
  url: string;
  pid: number;
  /** What it said when it started. */
  said: string;
  /** Tells it to end; the code it ended with. */
  stop: () => Promise<number | null>;
}

/** Starts the built server on a port (0: any free one) and waits until it says where it is. */
export function startProgram(database: string, port = 0, env: Record<string, string> = {}): Promise<Program> {
  const child = spawn('node', ['server/dist/main.js'], {
    cwd: ROOT,
    env: { ...envOf(database), PORT: String(port), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const ended = new Promise<number | null>((resolve) => child.once('exit', resolve));
  return new Promise((resolve, reject) => {
    let said = '';
    const listen = (chunk: Buffer) => {
      said += chunk.toString();
      const at = /is at (http:\S+)/.exec(said);
      if (!at?.[1] || !said.includes('Ctrl-C')) return;
      const stop = () => {
        child.kill('SIGTERM');
        return ended;
      };
      resolve({ url: at[1], pid: child.pid ?? 0, said, stop });
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
}

/** Opens programs over databases in one process of its own, and ends it. */
export interface Host {
  open: (database: string) => Promise<Pick<Program, 'url'> & { stop: () => Promise<void> }>;
  end: () => void;
}

/** A process that is the server of one test after another: starting it and warming it is paid once. */
export function startHost(): Host {
  const child = fork(join(ROOT, 'server/dist/many.js'), { cwd: ROOT });
  let hear: (answer: { at?: string; failed?: string }) => void = () => undefined;
  child.on('message', (answer: object) => hear(answer));
  child.once('exit', (code) => hear({ failed: `the host ended with ${code}` }));
  const answerTo = async (message: object): Promise<{ at?: string; failed?: string }> => {
    const answered = new Promise<{ at?: string; failed?: string }>((resolve) => {
      hear = resolve;
    });
    child.send(message);
    const answer = await answered;
    if (answer.failed) throw new Error(answer.failed);
    return answer;
  };
  return {
    async open(database) {
      const { at = '' } = await answerTo({ open: envOf(database) });
      return {
        url: at,
        stop: async () => {
          await answerTo({ close: at });
        },
      };
    },
    end: () => child.disconnect(),
  };
}

const databaseUrl = (name: string): string => {
  const url = new URL(process.env.E2E_CLUSTER_URL ?? '');
  url.pathname = `/${name}`;
  return url.toString();
};

async function databaseLike(template: string, name: string): Promise<string> {
  const admin = new pg.Client({ connectionString: databaseUrl('template1') });
  await admin.connect();
  await admin.query(`create database ${name} template ${template}`);
  await admin.end();
  return databaseUrl(name);
}

/** A database of its own with the demo fleet in it. */
export const copyDemo = (name: string): Promise<string> => databaseLike('postgres', name);
/** A database of its own with nothing in it. */
export const emptyDatabase = (name: string): Promise<string> => databaseLike('template0', name);

/** Asks a database as its owner. */
export async function sql<T extends pg.QueryResultRow>(database: string, text: string): Promise<T[]> {
  const client = new pg.Client({ connectionString: database });
  await client.connect();
  try {
    return (await client.query<T>(text)).rows;
  } finally {
    await client.end();
  }
}
