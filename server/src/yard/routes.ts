import {
  actsPageSchema,
  dayIn,
  daySchema,
  gonePageSchema,
  inspectionsPageSchema,
  photosPageSchema,
  unitPageSchema,
  YARD_ORDERS,
  yardAskedSchema,
  yardPageSchema,
  yardRowSchema,
  yardTotalSchema,
} from '@zealous-axle/core';
import { z } from 'zod';
import { type App, ask, readKey, type Serving } from '../http';
import { inspectionsBefore, photosBefore } from '../inspection';
import { inFleet } from '../store';
import { unitNumbered } from '../units';
import { actsBefore } from './acts';
import { dayOf } from './day';
import { wishJudged } from './judge-again';
import { goneUnits, PAGE, unitPage, yardPage, yardRowOf, yardTotal } from './queries';

const params = z.object({ id: z.uuid() });
const before = z.strictObject({ before: z.string().max(200).optional() });
const PHOTOS = 24;

/** The yard page by page, and one unit with all that is known of it. */
export function unitRoutes(app: App, serving: Serving): void {
  yardRoutes(app, serving);
  dayRoute(app, serving);
  goneRoutes(app, serving);
  numberRoutes(app, serving);
  oneUnitRoutes(app, serving);
  pastRoutes(app, serving);
}

function yardRoutes(app: App, serving: Serving): void {
  app.get(
    '/units',
    {
      schema: {
        tags: ['units'],
        summary: 'One page of the yard, as asked for',
        querystring: yardAskedSchema.extend({
          order: z.enum(YARD_ORDERS).default('urgency'),
          after: z.string().max(200).optional(),
        }),
        response: { 200: yardPageSchema },
      },
    },
    (request) => {
      const { order, after, ...asked } = request.query;
      const key = readKey(after, 2);
      return ask(serving, request, (store, { fleet }) =>
        yardPage(store, asked, { order, key, today: dayIn(fleet.zone, serving.now()) }),
      );
    },
  );

  app.get(
    '/units/total',
    {
      schema: {
        tags: ['units'],
        summary: 'How many units there are, and how many fit what is asked for',
        querystring: yardAskedSchema,
        response: { 200: yardTotalSchema },
      },
    },
    async (request) => {
      const { fleet, total } = await ask(serving, request, async (store, actor) => ({
        fleet: actor.fleet.id,
        total: await yardTotal(store, request.query, dayIn(actor.fleet.zone, serving.now())),
      }));
      // What nobody judges any more, or never did since the program is another, is asked for by whoever looks.
      if (total.judging) await inFleet(serving.db, fleet, (store) => wishJudged(store, fleet, null));
      return total;
    },
  );
}

function dayRoute(app: App, serving: Serving): void {
  app.get(
    '/day',
    {
      schema: { tags: ['shop'], summary: 'What the shop has before it today', response: { 200: daySchema } },
    },
    (request) => ask(serving, request, (store, { fleet }) => dayOf(store, fleet.zone, serving.now())),
  );
}

function goneRoutes(app: App, serving: Serving): void {
  app.get(
    '/units/gone',
    {
      schema: {
        tags: ['units'],
        summary: 'One page of the units sold or scrapped, by number',
        querystring: z.strictObject({
          text: z.string().trim().max(60).optional(),
          after: z.string().max(200).optional(),
        }),
        response: { 200: gonePageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.after, 2);
      return ask(serving, request, (store) => goneUnits(store, request.query.text ?? '', key));
    },
  );
}

function numberRoutes(app: App, serving: Serving): void {
  app.get(
    '/units/number',
    {
      schema: {
        tags: ['units'],
        summary: 'Which unit bears a number, in use or not; null where none does',
        querystring: z.strictObject({ number: z.string().trim().min(1).max(20) }),
        response: { 200: z.strictObject({ unit: z.string().nullable() }) },
      },
    },
    (request) => ask(serving, request, async (store) => ({ unit: await unitNumbered(store, request.query.number) })),
  );
}

function oneUnitRoutes(app: App, serving: Serving): void {
  app.get(
    '/units/:id',
    {
      schema: {
        tags: ['units'],
        summary: 'One unit: what stands, what is open, and the newest of what was',
        params,
        response: { 200: unitPageSchema },
      },
    },
    (request) => ask(serving, request, (store) => unitPage(store, request.params.id, serving.now())),
  );

  app.get(
    '/units/:id/row',
    { schema: { tags: ['units'], summary: 'One row of the yard', params, response: { 200: yardRowSchema } } },
    (request) => ask(serving, request, (store) => yardRowOf(store, request.params.id)),
  );
}

/** What was of one unit, page by page. */
function pastRoutes(app: App, serving: Serving): void {
  app.get(
    '/units/:id/inspections',
    {
      schema: {
        tags: ['units'],
        summary: 'Inspections of one unit, newest first',
        params,
        querystring: before,
        response: { 200: inspectionsPageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.before, 2);
      return ask(serving, request, async (store) => {
        const { rows, next } = await inspectionsBefore(store, request.params.id, key, PAGE);
        return { inspections: rows, next };
      });
    },
  );

  app.get(
    '/units/:id/acts',
    {
      schema: {
        tags: ['units'],
        summary: 'What was signed on walks round one unit and changed in what it is, newest first',
        params,
        querystring: before,
        response: { 200: actsPageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.before, 2);
      return ask(serving, request, (store) => actsBefore(store, request.params.id, key, PAGE));
    },
  );

  app.get(
    '/units/:id/photos',
    {
      schema: {
        tags: ['units'],
        summary: 'Photos of one unit, newest first',
        params,
        querystring: before,
        response: { 200: photosPageSchema },
      },
    },
    (request) => {
      const key = readKey(request.query.before, 2);
      return ask(serving, request, async (store) => {
        const { rows, next } = await photosBefore(store, { unitId: request.params.id }, key, PHOTOS);
        return { photos: rows, next };
      });
    },
  );
}
