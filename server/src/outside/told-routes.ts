import { OUTSIDE_THINGS, type OutsideThing, parseDispatch, roadAnswerSchema, signInText } from '@zealous-axle/core';
import { z } from 'zod';
import { type App, budget, type Serving, unreadablePath } from '../http';
import { invalid, invalidWith, KnownProblem } from '../problem';
import { asTask } from '../run';
import { type FleetStore, inFleet } from '../store';
import { connectionTo } from './connections';
import { dispatchLine } from './schema';
import { isSigned, SIGNATURE } from './sign';

const MOST_LINES = 500;
const LONGEST_LINE = 200;
const BODY_BYTES = 64 * 1024;
const BYTES_A_MINUTE = 4 * 1024 * 1024;

const id = z.uuid();
const roadTold = roadAnswerSchema.safeExtend({ id, call: id });
const dispatchTold = z.strictObject({ id, lines: z.array(z.string().max(LONGEST_LINE)).max(MOST_LINES) });
const gaugesTold = z.strictObject({ id, to: signInText, lines: z.array(z.string().max(LONGEST_LINE)).max(50) });
export type RoadTold = z.infer<typeof roadTold>;
export type GaugesTold = z.infer<typeof gaugesTold>;

/** What is done with what a connected system tells. */
export interface Told {
  road: (store: FleetStore, fleet: string, told: RoadTold, now: Date) => Promise<unknown>;
  gauges: (store: FleetStore, told: GaugesTold) => Promise<unknown>;
}

const params = z.object({ fleet: id, thing: z.enum(OUTSIDE_THINGS) });

/** Keeps the newest line of each kind of a unit; what is no line of the protocol is refused with its sentence. */
async function keepLines(store: FleetStore, fleetId: string, lines: readonly string[], now: Date): Promise<void> {
  const newest = new Map<string, typeof dispatchLine.$inferInsert>();
  for (const [nth, line] of lines.entries()) {
    const said = parseDispatch(line);
    if ('wrong' in said) throw invalidWith(`lines.${nth}`, said.wrong);
    newest.set(`${said.unit} ${said.tells}`, {
      fleetId,
      unitNumber: said.unit,
      verb: said.tells,
      line: line.trim(),
      toldAt: now,
    });
  }
  for (const row of newest.values())
    await store
      .insert(dispatchLine)
      .values(row)
      .onConflictDoUpdate({
        target: [dispatchLine.fleetId, dispatchLine.unitNumber, dispatchLine.verb],
        set: { line: row.line, toldAt: row.toldAt },
      });
}

function read<T>(schema: z.ZodType<T>, text: string): T {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new KnownProblem('invalid', { errors: [{ path: '', message: 'The body is not JSON.' }] });
  }
  const unreadable = unreadablePath(json);
  if (unreadable !== null) throw invalid(unreadable, 'unreadable');
  const parsed = schema.safeParse(json);
  if (parsed.success) return parsed.data;
  const errors = parsed.error.issues.map(({ path, message }) => ({ path: path.join('.'), message }));
  throw new KnownProblem('invalid', { errors: errors.slice(0, 50) });
}

/**
 * What connected systems tell: signed with the secret of their connection, by the protocols in `docs/`. Told twice under one
 * id, it is done once.
 */
export async function toldRoutes(app: App, serving: Serving, told: Told): Promise<void> {
  await app.register(async (signed) => {
    // What was signed is the text as it was sent.
    signed.addContentTypeParser('application/json', { parseAs: 'string' }, (_, body, done) => done(null, body));
    signed.post(
      '/outside/:fleet/:thing',
      { bodyLimit: BODY_BYTES, onRequest: budget(BYTES_A_MINUTE), schema: { hide: true } },
      async (request, reply) => {
        const asked = params.safeParse(request.params);
        if (!asked.success) throw new KnownProblem('wrong-signature');
        const { fleet, thing } = asked.data;
        const text = typeof request.body === 'string' ? request.body : '';
        const now = serving.now();
        await inFleet(serving.db, fleet, async (store) => {
          const to = await connectionTo(store, thing);
          const header = String(request.headers[SIGNATURE] ?? '');
          if (to?.way !== 'protocol' || !to.secret || !isSigned(to.secret, text, header, now))
            throw new KnownProblem('wrong-signature');
          await asTask(store, fleet, `told by ${thing}`, () => doTold(store, fleet, thing, text, now));
        });
        return reply.code(204).send();
      },
    );
  });

  async function doTold(store: FleetStore, fleet: string, thing: OutsideThing, text: string, now: Date) {
    if (thing === 'road-service') return told.road(store, fleet, read(roadTold, text), now);
    if (thing === 'gauges') return told.gauges(store, read(gaugesTold, text));
    return keepLines(store, fleet, read(dispatchTold, text).lines, now);
  }
}
