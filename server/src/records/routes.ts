import { importPreviewSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving } from '../http';
import { previewOf, readReadings, writeReadings } from './readings-csv';

const FILE_BYTES = 3 * 1024 * 1024;

/** Readings out and in as CSV. */
export function fileRoutes(app: App, serving: Serving): void {
  app.get(
    '/readings.csv',
    { schema: { tags: ['files'], querystring: z.strictObject({ unit: z.uuid().optional() }) } },
    async (request, reply) => {
      const csv = await ask(serving, request, (store) => writeReadings(store, request.query.unit ?? null));
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="readings.csv"')
        .send(csv);
    },
  );

  app.post(
    '/readings.csv/preview',
    {
      bodyLimit: FILE_BYTES,
      schema: {
        tags: ['files'],
        body: z.strictObject({ csv: z.string().min(1) }),
        response: { 200: importPreviewSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store) => previewOf(await readReadings(store, request.body.csv, serving.now()))),
  );
}
