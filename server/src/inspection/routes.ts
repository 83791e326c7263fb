import { sheetSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving } from '../http';
import { pictureOf } from './photos';
import { sheetOf } from './queries';

const params = z.object({ id: z.uuid() });
const WEEK_S = 604_800;

/** One inspection with its readings and the judgement that stands; and its photos. */
export function inspectionRoutes(app: App, serving: Serving): void {
  app.get(
    '/inspections/:id',
    {
      schema: {
        tags: ['inspections'],
        summary: 'One inspection: its readings, and the judgement that stands',
        params,
        response: { 200: sheetSchema },
      },
    },
    (request) => ask(serving, request, (store) => sheetOf(store, request.params.id)),
  );

  app.get(
    '/photos/:id',
    { schema: { tags: ['inspections'], summary: 'One photo', params } },
    async (request, reply) => {
      const jpeg = await ask(serving, request, (store) => pictureOf(store, request.params.id));
      return reply
        .type('image/jpeg')
        .header('cache-control', `private, max-age=${WEEK_S}, immutable`)
        .header('x-content-type-options', 'nosniff')
        .send(jpeg);
    },
  );
}
