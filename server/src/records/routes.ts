import { Readable } from 'node:stream';
import { importPreviewSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, type Serving, signedIn } from '../http';
import { writeReadings } from './export';
import { previewOf, readReadings } from './readings-csv';

const FILE_BYTES = 3 * 1024 * 1024;

/** Readings out and in as CSV. */
export function fileRoutes(app: App, serving: Serving): void {
  app.get(
    '/readings.csv',
    {
      schema: {
        tags: ['files'],
        summary: 'The readings of the fleet, or of one unit',
        querystring: z.strictObject({ unit: z.uuid().optional() }),
      },
    },
    async (request, reply) => {
      const { fleet } = await signedIn(serving, request);
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="readings.csv"')
        .send(Readable.from(writeReadings(serving.db, fleet.id, request.query.unit ?? null), { objectMode: false }));
    },
  );

  app.post(
    '/readings.csv/preview',
    {
      bodyLimit: FILE_BYTES,
      schema: {
        tags: ['files'],
        summary: 'What a file of readings would bring',
        body: z.strictObject({ csv: z.string().min(1) }),
        response: { 200: importPreviewSchema },
      },
    },
    (request) =>
      ask(serving, request, async (store) => previewOf(await readReadings(store, request.body.csv, serving.now()))),
  );
}
