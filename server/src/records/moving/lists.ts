import { v7 as uuidv7 } from 'uuid';
import { inviteBy, noPassword, person } from '../../access';
import { mayInvite } from '../../people';
import { invalid } from '../../problem';
import { part } from '../../repair';
import type { Handler } from '../../run';
import { inBatches, keepMove } from './keep';
import { unitsByNumber } from './known';
import { pastRepair } from './schema';

/** The parts room as the shop's list has it. */
export const moveInParts: Handler<'move-in-parts'> = async (doing) => {
  const { store, session, body } = doing;
  const taken = new Set((await store.select({ id: part.id }).from(part)).map(({ id }) => id));
  for (const [at, { part: id }] of body.parts.entries()) {
    if (taken.has(id)) throw invalid(`body.parts.${at}.part`, 'part-there', id);
    taken.add(id);
  }
  await inBatches(body.parts, (some) =>
    store
      .insert(part)
      .values(some.map(({ part: id, form, stock }) => ({ fleetId: session.fleet.id, id, ...form, stock }))),
  );
  return keepMove(doing, 'parts', body, { ids: body.parts.map(({ part: id }) => id) });
};

/** People of a list, each to come in by a code that is told them. */
export const moveInPeople: Handler<'move-in-people'> = async (doing) => {
  const { store, session, now, body } = doing;
  await mayInvite(doing, ...body.people.map(({ form }) => form.role));
  const taken = new Set((await store.select({ signIn: person.signIn }).from(person)).map(({ signIn }) => signIn));
  for (const [at, { signIn }] of body.people.entries()) {
    if (taken.has(signIn)) throw invalid(`body.people.${at}.signIn`, 'name-taken', signIn);
    taken.add(signIn);
  }
  const passwordHash = await noPassword();
  const rows = body.people.map(({ signIn, form, code }) => ({
    fleetId: session.fleet.id,
    id: uuidv7(),
    signIn,
    name: form.name,
    role: form.role,
    work: form.work,
    passwordHash,
    ...inviteBy(code, now),
  }));
  await inBatches(rows, (some) => store.insert(person).values(some));
  return keepMove(doing, 'people', body, { ids: rows.map(({ id }) => id) });
};

/** Repairs of before, by the numbers of their units. */
export const moveInRepairs: Handler<'move-in-repairs'> = async (doing) => {
  const { store, session, body } = doing;
  const units = await unitsByNumber(
    store,
    body.repairs.map(({ unit }) => unit),
  );
  const rows = body.repairs.map(({ unit, by, ...rest }, at) => {
    const known = units.get(unit);
    if (!known) throw invalid(`body.repairs.${at}.unit`, 'no-unit', unit);
    return { fleetId: session.fleet.id, id: uuidv7(), moveId: body.move, unitId: known.id, who: by ?? null, ...rest };
  });
  // Each repair names the move that told it.
  const done = await keepMove(doing, 'repairs', body, { ids: rows.map(({ id }) => id) });
  await inBatches(rows, (some) => store.insert(pastRepair).values(some));
  return { ...done, unitIds: [...new Set(rows.map(({ unitId }) => unitId))] };
};
