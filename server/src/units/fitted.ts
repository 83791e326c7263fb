import {
  type Axle,
  type CommandBody,
  checkEntry,
  isStepKind,
  keyWords,
  type MakerLimit,
  type MakerReading,
  mayLack,
  parseKey,
} from '@zealous-axle/core';
import { eq } from 'drizzle-orm';
import { invalid } from '../problem';
import { changed, type Doing, found, type Handler } from '../run';
import { noteChange, noteFacts } from './changes';
import { unit } from './schema';
import { findUnit, type UnitRow } from './units';

type Fitted = Pick<Axle, 'maker'>;
function withMaker<T extends Fitted>(part: T, reading: MakerReading, limit: MakerLimit | null): T {
  const { [reading]: _, ...others } = part.maker ?? {};
  return { ...part, maker: limit ? { ...others, [reading]: limit } : others };
}

/** What a unit was found to have or to lack. The four measured things are always there. */
export const setFitted: Handler<'set-fitted'> = async (doing) => {
  const { store, body } = doing;
  const row = found(await findUnit(store, body.unit));
  const { kind, item } = parseKey(body.key);
  if (!isStepKind(kind) || !mayLack({ kind })) throw invalid('body.key', 'no-check');
  if (kind === 'check' && !checkEntry(item ?? '')) throw invalid('body.key', 'no-check');
  const others = row.notFitted.filter((key) => key !== body.key);
  const words = keyWords(body.key);
  const fact = { fact: 'fitted' as const, axle: null, side: null };
  if (body.fitted !== row.notFitted.includes(body.key)) return { unitId: row.id, changed: [] };
  await noteFacts(doing, row.id, [{ ...fact, from: body.fitted ? null : words, to: body.fitted ? words : null }], {
    seen: 'counted',
    reason: '',
  });
  await store
    .update(unit)
    .set({ notFitted: body.fitted ? others : [...others, body.key], version: row.version + 1 })
    .where(eq(unit.id, row.id));
  return { unitId: row.id, changed: [changed('unit', row.id)] };
};

/** Sets a maker's limit for what is fitted at an axle, or at one end of it; null takes it back. */
export async function limitAt(
  doing: Pick<Doing<'set-maker-limit'>, 'store' | 'session' | 'at' | 'now'>,
  row: UnitRow,
  { axle: number, side, reading, limit, reason }: Omit<CommandBody<'set-maker-limit'>, 'unit'>,
): Promise<void> {
  const { store } = doing;
  const axle = row.axles[number - 1];
  if (!axle) throw invalid('body.axle', 'no-axle', row.number, row.axles.length);
  const fitted: Axle = side
    ? { ...axle, ends: { ...axle.ends, [side]: withMaker(axle.ends?.[side] ?? {}, reading, limit) } }
    : withMaker(axle, reading, limit);
  const axles = row.axles.map((each, index) => (index === number - 1 ? fitted : each));
  // Where it is written says why it is set; that it is taken back is said in words.
  const why = limit ? limit.source : reason;
  if (!why) throw invalid('body.reason', 'reason-needed');
  await noteChange(doing, row, { ...row, axles }, { reason: why });
  await store
    .update(unit)
    .set({ axles, version: row.version + 1 })
    .where(eq(unit.id, row.id));
}
