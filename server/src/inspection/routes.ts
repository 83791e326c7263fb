import { sheetSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving, sendJpeg } from '../http';
import { checkPictureOf } from '../rules';
import { pictureOf } from './photos';
import { sheetOf } from './queries';

const params = z.object({ id: z.uuid() });

/** One inspection with its readings and the judgement that stands; and its photos. */
export function inspectionRoutes(app: App, serving: Serving): void {
  app.get(
    '/inspections/:id',
    {
      schema: {
        tags: ['inspections'],
        summary: 'One inspection: its readings, and the judgment that stands',
        params,
        response: { 200: sheetSchema },
      },
    },
    (request) => ask(serving, request, (store) => sheetOf(store, request.params.id)),
  );

  app.get('/photos/:id', { schema: { tags: ['inspections'], summary: 'One photo', params } }, async (request, reply) =>
    sendJpeg(reply, await ask(serving, request, (store) => pictureOf(store, request.params.id))),
  );

  app.get(
    '/check-pictures/:id',
    { schema: { tags: ['inspections'], summary: 'What good looks like, of a check of the fleet’s own', params } },
    async (request, reply) =>
      sendJpeg(reply, await ask(serving, request, (store) => checkPictureOf(store, request.params.id))),
  );
}
