import { unitPageSchema, yardSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, dayIn, type Serving } from '../http';
import { unitPage, yardRows } from './queries';

/** The yard, and one unit with everything known of it. */
export function unitRoutes(app: App, serving: Serving): void {
  app.get('/units', { schema: { tags: ['units'], response: { 200: yardSchema } } }, (request) =>
    ask(serving, request, async (store, { fleet }) => ({
      today: dayIn(fleet.zone, serving.now()),
      units: await yardRows(store),
    })),
  );

  app.get(
    '/units/:id',
    { schema: { tags: ['units'], params: z.object({ id: z.uuid() }), response: { 200: unitPageSchema } } },
    (request) => ask(serving, request, (store) => unitPage(store, request.params.id)),
  );
}
