import { BOOKS, type BookId, inspectionPrintout, jobPrintout, sheetSchema } from '@zealous-axle/core';
import { z } from 'zod';
import { beside } from '../beside';
import { type App, ask, fileNamed, type Serving } from '../http';
import { judgementSeal, sheetOf } from '../inspection';
import { jobPage } from '../repair';

const params = z.object({ id: z.uuid() });

/** Version of the inspection file's form. */
const FILE_FORM = 'zealous-axle/inspection/1';
const fileSchema = z.strictObject({
  form: z.literal(FILE_FORM),
  ...sheetSchema.shape,
  /** The entry of the fleet's chain that covers its judgement; null while there is none. */
  sealed: z.strictObject({ nr: z.int(), hash: z.string() }).nullable(),
});

/** One inspection as a file and as print. */
export function printRoutes(app: App, serving: Serving): void {
  app.get(
    '/inspections/:id/inspection.json',
    { schema: { tags: ['inspections'], summary: 'An inspection as a file', params, response: { 200: fileSchema } } },
    async (request, reply) => {
      const file = await ask(serving, request, async (store) => {
        const sheet = await sheetOf(store, request.params.id);
        return (
          sheet && {
            form: FILE_FORM as typeof FILE_FORM,
            ...sheet,
            sealed: await judgementSeal(store, request.params.id),
          }
        );
      });
      reply.header('content-disposition', fileNamed('attachment', `inspection-${file.unit.number}.json`));
      return file;
    },
  );

  app.get(
    '/inspections/:id/inspection.pdf',
    { schema: { tags: ['inspections'], summary: 'An inspection on paper', params } },
    async (request, reply) => {
      const printout = await ask(serving, request, async (store, session) => {
        const sheet = await sheetOf(store, request.params.id);
        return sheet
          ? inspectionPrintout({
              sheet,
              fleet: session.fleet,
              book: BOOKS[(sheet.judgement?.book.id ?? session.fleet.book) as BookId],
              units: session.person.units ?? session.fleet.units,
            })
          : null;
      });
      const pdf = await beside('inspection-pdf', printout);
      return reply
        .type('application/pdf')
        .header('content-disposition', fileNamed('inline', `${printout.title}.pdf`))
        .send(Buffer.from(pdf));
    },
  );

  app.get(
    '/jobs/:id/certificate.pdf',
    { schema: { tags: ['shop'], summary: 'A job and its certificate on paper', params } },
    async (request, reply) => {
      const printout = await ask(serving, request, async (store, { fleet }) => {
        const page = await jobPage(store, request.params.id, fleet.zone, serving.now());
        return page && jobPrintout(page, fleet);
      });
      return reply
        .type('application/pdf')
        .header('content-disposition', fileNamed('inline', `${printout.title}.pdf`))
        .send(Buffer.from(await beside('job-pdf', printout)));
    },
  );

  app.get(
    '/schemas/inspection.json',
    { schema: { tags: ['inspections'], summary: 'The schema of an inspection’s file' } },
    async (_, reply) => reply.send(z.toJSONSchema(fileSchema, { io: 'output', unrepresentable: 'any' })),
  );
}
