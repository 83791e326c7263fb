import { openProgram } from '../program';
import { readSettings } from '../settings';

/**
 * Programs one after another in one process, each over the database its parent names: what starts a process and warms it
 * is paid once. Answers `{ at }` or `{ failed }` to `{ open }`, an environment, and `{ closed }` to `{ close }`, an address.
 */
const programs = new Map<string, Awaited<ReturnType<typeof openProgram>>>();
const tell = (message: object) => process.send?.(message);

process.on('message', async ({ open, close }: { open?: NodeJS.ProcessEnv; close?: string }) => {
  try {
    if (open) {
      const program = await openProgram(readSettings(open));
      programs.set(program.address, program);
      tell({ at: program.address });
    }
    if (close) {
      await programs.get(close)?.close();
      programs.delete(close);
      tell({ closed: close });
    }
  } catch (error) {
    tell({ failed: String(error) });
  }
});
process.once('disconnect', () => process.exit(0));
