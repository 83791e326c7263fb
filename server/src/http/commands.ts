import { COMMAND_NAMES, type CommandName, commandAnswerSchema, commandSchema } from '@zealous-axle/core';
import { HANDLERS, runCommand } from '../commands';
import type { Handler } from '../commands/doing';
import type { SentCommand } from '../commands/run';
import { type App, type Serving, signedIn } from './serving';

/** Commands that carry a picture or a file may be larger than others. */
const LARGE: Partial<Record<CommandName, number>> = {
  'attach-photo': 1024 * 1024,
  'import-readings': 3 * 1024 * 1024,
};

/** One address for each command; every one is done once, however often it is sent. */
export function commandRoutes(app: App, serving: Serving): void {
  for (const name of COMMAND_NAMES)
    app.post(
      `/commands/${name}`,
      {
        bodyLimit: LARGE[name],
        schema: { tags: ['commands'], body: commandSchema(name), response: { 200: commandAnswerSchema } },
      },
      async (request) => {
        const session = await signedIn(serving, request);
        const sent = request.body as SentCommand<CommandName>;
        return runCommand(serving.db, session, name, sent, HANDLERS[name] as Handler<CommandName>, serving.now());
      },
    );
}
