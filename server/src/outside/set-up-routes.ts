import { outsideListSchema } from '@zealous-axle/core';
import { type App, ask, type Serving } from '../http';
import { outsideOf } from './connections';

/** How the fleet uses what is outside: without its secrets. */
export function outsideRoutes(app: App, serving: Serving): void {
  app.get(
    '/outside',
    {
      schema: {
        tags: ['outside'],
        summary: 'Road service, dispatch and gauges, as the fleet uses them',
        response: { 200: outsideListSchema },
      },
    },
    (request) =>
      ask(serving, request, (store, { fleet }) => {
        return outsideOf(store, fleet.id);
      }),
  );
}
