import { sheetSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { sheetOf } from '../store/inspections';
import { type App, ask, type Serving } from './serving';

/** One inspection with its readings and the judgement that stands. */
export function inspectionRoutes(app: App, serving: Serving): void {
  app.get(
    '/inspections/:id',
    { schema: { tags: ['inspections'], params: z.object({ id: z.uuid() }), response: { 200: sheetSchema } } },
    (request) => ask(serving, request, (store) => sheetOf(store, request.params.id)),
  );
}
