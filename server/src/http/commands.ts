import {
  COMMAND_NAMES,
  type CommandAnswer,
  type CommandName,
  commandAnswerSchema,
  commandOf,
  commandSchema,
} from '@zealous-axle/core';
import type { Actor, Clock, SentCommand } from '../run';
import type { Database } from '../store';
import { budgetOf } from './budget';
import { type App, type Serving, signedIn } from './serving';

export type DoCommand = (
  db: Database,
  session: Actor,
  name: CommandName,
  sent: SentCommand<CommandName>,
  clock: Clock,
) => Promise<CommandAnswer>;

/** What one person may send a minute of what is large – photos, files: a day's photos of a device that comes back, and not a disk full. */
const LARGE_BYTES_A_MINUTE = 64 * 1024 * 1024;

/** One address for each command; every one is done once, however often it is sent. */
export function commandRoutes(app: App, serving: Serving, doCommand: DoCommand): void {
  const spend = budgetOf(LARGE_BYTES_A_MINUTE);
  for (const name of COMMAND_NAMES)
    app.post(
      `/commands/${name}`,
      {
        bodyLimit: commandOf(name).largest ?? undefined,
        schema: {
          tags: ['commands'],
          summary: `Do: ${name.replaceAll('-', ' ')}`,
          body: commandSchema(name),
          response: { 200: commandAnswerSchema },
        },
      },
      async (request, reply) => {
        const session = await signedIn(serving, request);
        // What does not say how large it is counts as large as it may be.
        const { largest } = commandOf(name);
        if (largest)
          spend(request, reply, Number(request.headers['content-length'] ?? largest) || 0, session.person.id);
        const clock = { now: serving.now(), offlineDays: serving.offlineDays };
        return doCommand(serving.db, session, name, request.body as SentCommand<CommandName>, clock);
      },
    );
}
