import { sql } from 'drizzle-orm';
import { z } from 'zod';
import { KnownProblem } from '../problem';
import type { App, Serving } from './serving';

const answer = z.strictObject({ status: z.literal('ok') });

/** `/healthz`: the process lives. `/readyz`: it can also reach its database. */
export function healthRoutes(app: App, { db }: Serving): void {
  app.get(
    '/healthz',
    { schema: { tags: ['health'], summary: 'The process lives', response: { 200: answer } }, logLevel: 'error' },
    async () => ({
      status: 'ok' as const,
    }),
  );
  app.get(
    '/readyz',
    {
      schema: { tags: ['health'], summary: 'It can reach its database', response: { 200: answer } },
      logLevel: 'error',
    },
    async () => {
      await db.execute(sql`select 1`).catch(() => {
        throw new KnownProblem('unavailable');
      });
      return { status: 'ok' as const };
    },
  );
}
