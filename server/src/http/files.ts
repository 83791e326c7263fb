import { importPreviewSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { previewOf, readReadings, writeReadings } from '../feeds/readings-csv';
import { pictureOf } from '../store/photos';
import { type App, ask, type Serving } from './serving';

const FILE_BYTES = 3 * 1024 * 1024;
const WEEK_S = 604_800;

/** Readings out and in as CSV, and photos. */
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

  app.get(
    '/photos/:id',
    { schema: { tags: ['files'], params: z.object({ id: z.uuid() }) } },
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
