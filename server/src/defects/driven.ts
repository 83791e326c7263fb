import { must, parseDistance } from '@zealous-axle/core';
import { invalid } from '../problem';
import { type Changed, changed, type Doing, type Handler } from '../run';
import type { FleetStore } from '../store';
import { keepMeter, lastMeter } from '../units';
import { moveDefect } from './move';
import { openDefects } from './queries';

const distance = (text: string): number => must(parseDistance(text));

/** A distance can only be waited for where the meter was read, and stands below it. */
export async function aheadOfMeter(store: FleetStore, unitId: string, until: string): Promise<void> {
  const last = await lastMeter(store, unitId);
  if (!last) throw invalid('body.untilMeter', 'no-meter');
  if (distance(until) <= distance(last.value)) throw invalid('body.untilMeter', 'meter-passed', last.value);
}

/** What was put off until the meter reads so much waits for an answer again, once it does. */
async function bringBackDriven(
  doing: Pick<Doing<'record-meter'>, 'store' | 'session'>,
  unitId: string,
  reads: string,
): Promise<Changed[]> {
  const due = (await openDefects(doing.store, unitId)).filter(
    ({ state, untilMeter }) => state === 'deferred' && untilMeter && distance(untilMeter) <= distance(reads),
  );
  const back: Changed[] = [];
  for (const row of due) back.push(changed('defect', row.id, await moveDefect(doing, row, 'see due')));
  return back;
}

export const recordMeter: Handler<'record-meter'> = async (doing) => {
  const { unit, value } = doing.body;
  await keepMeter(doing);
  return { unitId: unit, changed: [changed('unit', unit), ...(await bringBackDriven(doing, unit, value))] };
};
