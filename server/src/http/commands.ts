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
import { type App, type Serving, signedIn } from './serving';

export type DoCommand = (
  db: Database,
  session: Actor,
  name: CommandName,
  sent: SentCommand<CommandName>,
  clock: Clock,
) => Promise<CommandAnswer>;

/** One address for each command; every one is done once, however often it is sent. */
export function commandRoutes(app: App, serving: Serving, doCommand: DoCommand): void {
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
      async (request) => {
        const session = await signedIn(serving, request);
        const clock = { now: serving.now(), offlineDays: serving.offlineDays };
        return doCommand(serving.db, session, name, request.body as SentCommand<CommandName>, clock);
      },
    );
}
