import { readSettings, type Settings } from '../settings';

/** Runs one command of the shell with the server's settings; what goes wrong is said in one line. */
export function runCommand(work: (settings: Settings) => Promise<void>): void {
  const done = async () => work(readSettings(process.env));
  done().catch((error: unknown) => {
    const { message, cause } = error as Error & { cause?: Error };
    process.stderr.write(`${cause?.message ?? message}\n`);
    process.exit(1);
  });
}
