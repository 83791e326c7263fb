import { DEMO_PASSWORD, FLEET, PEOPLE } from './demo/fleet';
import { openProgram } from './program';
import { readSettings } from './settings';

const say = (line: string) => process.stdout.write(`${line}\n`);

function failure(error: unknown): string {
  const { code, message } = error as { code?: string; message?: string };
  const cause = (error as { cause?: { message?: string } }).cause?.message;
  if (code === 'EADDRINUSE') return `Port ${process.env.PORT ?? 8080} is in use: stop what uses it, or set PORT.`;
  if (code === 'ECONNREFUSED') return 'The database does not answer: is DATABASE_URL right, and the server running?';
  if (code === '28P01') return 'The database refuses the name or password in DATABASE_URL.';
  if (code === '53100' || code === 'ENOSPC') return 'The disk is full: the database cannot write.';
  return `The server cannot start: ${cause ?? message ?? String(error)}`;
}

const LONGEST_STOP_MS = 5_000;

async function main(): Promise<void> {
  const settings = readSettings(process.env);
  const { address, kept, demoLoaded, founded, close } = await openProgram(settings);
  if (kept) say(`The database was kept in ${kept.file}, and changed: ${kept.changes.join(', ')}.`);
  if (demoLoaded) say('Demo fleet loaded.');
  say(`\nZealous Axle is at ${address}`);
  if (settings.demo) {
    say(`Demo sign-ins (password ${DEMO_PASSWORD}):`);
    for (const { signIn, name, role } of PEOPLE.slice(0, 4))
      say(`  ${`${signIn}@${FLEET.slug}`.padEnd(22)} ${name}, ${role}`);
  }
  if (founded) {
    const query = `name=${encodeURIComponent(founded.name)}&code=${founded.code}`;
    say(`The fleet is founded. Its first manager goes on here, within a week:\n  ${address}/?${query}`);
    say(`  (name ${founded.name}, code ${founded.code})`);
  }
  say('Stop with Ctrl-C.');

  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    // What is being answered is answered; whoever takes longer than this is cut off.
    setTimeout(() => process.exit(1), LONGEST_STOP_MS).unref();
    await close();
    process.exit(0);
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

main().catch((error: unknown) => {
  process.stderr.write(`${failure(error)}\n`);
  process.exit(1);
});
