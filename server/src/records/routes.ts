import { createHash } from 'node:crypto';
import {
  importPreviewSchema,
  knownAskedSchema,
  knownSchema,
  moveInSchema,
  pastRepairsSchema,
  unitsPreviewSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, noteExport, noteTaken, readKey, type Serving } from '../http';
import { openExports } from './export';
import { knownOf, movesIn, pastRepairsOf } from './moving';
import { previewOf, readReadings } from './readings-csv';
import { readUnits, unitsCsv, unitsPreview } from './units-csv';

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');
const FILE_BYTES = 3 * 1024 * 1024;

/** Units and readings out and in as CSV. */
export function fileRoutes(app: App, serving: Serving): void {
  const exports = openExports(serving.db);
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
      const actor = await noteExport(serving, request, 'readings.csv');
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="readings.csv"')
        .send(
          // By whoever began it: their session may have ended meanwhile, and the file is whole all the same.
          exports.readings(actor.fleet.id, request.query.unit ?? null, (sum) =>
            noteTaken(serving, actor, 'readings.csv, written whole', sum),
          ),
        );
    },
  );

  app.get(
    '/units.csv',
    { schema: { tags: ['files'], summary: 'The units of the fleet that are in use' } },
    async (request, reply) => {
      const csv = await ask(serving, request, unitsCsv);
      await noteExport(serving, request, 'units.csv', sha256(csv));
      return reply
        .type('text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="units.csv"')
        .send(csv);
    },
  );

  app.post(
    '/units.csv/preview',
    {
      bodyLimit: FILE_BYTES,
      schema: {
        tags: ['files'],
        summary: 'What a file of units would bring',
        body: z.strictObject({ csv: z.string().min(1) }),
        response: { 200: unitsPreviewSchema },
      },
    },
    (request) => ask(serving, request, async (store) => unitsPreview(await readUnits(store, request.body.csv))),
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

/** A shop's own lists moved in. */
export function movingRoutes(app: App, serving: Serving): void {
  app.get(
    '/moves-in',
    {
      schema: {
        tags: ['files'],
        summary: 'What moved in from the shop’s own lists lately',
        response: { 200: z.strictObject({ moves: z.array(moveInSchema) }) },
      },
    },
    (request) => ask(serving, request, async (store) => ({ moves: await movesIn(store) })),
  );

  app.post(
    '/moves-in/known',
    {
      bodyLimit: FILE_BYTES,
      schema: {
        tags: ['files'],
        summary: 'Of what a list names, what the fleet has',
        body: knownAskedSchema,
        response: { 200: knownSchema },
      },
    },
    (request) => ask(serving, request, (store) => knownOf(store, request.body)),
  );

  app.get(
    '/units/:id/past-repairs',
    {
      schema: {
        tags: ['units'],
        summary: 'Earlier repairs, as a list had them, newest first',
        params: z.strictObject({ id: z.uuid() }),
        querystring: z.strictObject({ before: z.string().optional() }),
        response: { 200: pastRepairsSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.before, 2);
      return ask(serving, request, (store) => pastRepairsOf(store, request.params.id, key));
    },
  );
}
