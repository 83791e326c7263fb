import {
  COMMAND_NAMES,
  eventsPageSchema,
  historySchema,
  recordsSchema,
  SECURITY_KINDS,
  securityPageSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, fileNamed, noteExport, readKey, type Serving } from '../http';
import { eventsBefore } from './events';
import { unitHistory } from './history';
import { recordsOf } from './records';
import { securityLog } from './security';

const before = z.string().max(200).optional();

/** What a fleet knows of its own records: that they are as written, who came in, what happened. */
export function proofRoutes(app: App, serving: Serving): void {
  app.get(
    '/records',
    {
      schema: {
        tags: ['records'],
        summary: 'The chain over the records, checks of it, backups, and for how long what is kept',
        response: { 200: recordsSchema },
      },
    },
    (request) => ask(serving, request, (store) => recordsOf(store, serving.now(), serving.backsUp ?? false)),
  );

  app.get(
    '/security-log',
    {
      schema: {
        tags: ['records'],
        summary: 'Who came in, who was refused, and who changed what others may do, newest first',
        querystring: z.strictObject({ kind: z.enum(SECURITY_KINDS).optional(), by: z.uuid().optional(), before }),
        response: { 200: securityPageSchema },
      },
    },
    (request) => {
      const { kind, by } = request.query;
      const key = readKey(request.query.before, 1);
      return ask(serving, request, (store) => securityLog(store, { kind, by, before: key }));
    },
  );

  app.get(
    '/events',
    {
      schema: {
        tags: ['records'],
        summary: 'What happened, newest first: of everything, of a unit, a person or a kind',
        querystring: z.strictObject({
          unit: z.uuid().optional(),
          person: z.uuid().optional(),
          type: z.enum(COMMAND_NAMES).optional(),
          before,
        }),
        response: { 200: eventsPageSchema },
      },
    },
    (request) => {
      const { unit, person, type } = request.query;
      const key = readKey(request.query.before, 1);
      return ask(serving, request, (store) => eventsBefore(store, { unit, person, type }, key));
    },
  );

  app.get(
    '/units/:id/history.json',
    {
      schema: {
        tags: ['records'],
        summary: 'Everything recorded of a unit, with what shows that it is as it was written',
        params: z.object({ id: z.uuid() }),
        response: { 200: historySchema },
      },
    },
    async (request, reply) => {
      const history = await ask(serving, request, (store, actor) =>
        unitHistory(store, actor, request.params.id, serving.now()),
      );
      await noteExport(serving, request, `history of ${history.unit.number}`);
      reply.header('content-disposition', fileNamed('attachment', `history-${history.unit.number}.json`));
      return history;
    },
  );
}
