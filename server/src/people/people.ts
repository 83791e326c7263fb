import { mayManage, NO_WORK, type PersonView, type Role } from '@zealous-axle/core';
import { asc, eq } from 'drizzle-orm';
import { endSessions, inviteBy, NO_FACTOR, noPassword, person } from '../access';
import { invalid, KnownProblem, notNow } from '../problem';
import { changed, type Doing, found, type Handler, sameVersion } from '../run';
import type { FleetStore } from '../store';
import { revokeKeys } from './keys';

type Row = typeof person.$inferSelect;

const viewOf = ({ id, signIn, name, role, work, active, inviteUntil, factorOn, version }: Row): PersonView => ({
  id,
  signIn,
  name,
  role,
  work,
  state: active ? (inviteUntil ? 'invited' : 'active') : 'left',
  invitedUntil: inviteUntil?.toISOString() ?? null,
  secondFactor: factorOn,
  version,
});

/** Everybody of the fleet: who left too, since the records name them. */
export const peopleOf = async (store: FleetStore): Promise<PersonView[]> =>
  (await store.select().from(person).orderBy(asc(person.name))).map(viewOf);

type Managing = Pick<Doing<'set-person'>, 'store' | 'session'>;

/** Asks the sender's right as it now is: whoever took the fleet's row before may have taken it away. */
export async function mayInvite({ store, session }: Managing, ...roles: Role[]): Promise<void> {
  const [sender] = await store.select().from(person).where(eq(person.id, session.person.id));
  if (!sender?.active) throw new KnownProblem('not-allowed');
  const beyond = roles.find((role) => !mayManage(sender.role, role));
  if (beyond) throw notNow('not-yours', beyond);
}

/** A person of the fleet whom the sender may change; never themselves. */
async function another(doing: Managing, id: string, version: number): Promise<Row> {
  const [row] = await doing.store.select().from(person).where(eq(person.id, id)).for('update');
  const whom = found(row);
  if (whom.id === doing.session.person.id) throw notNow('not-oneself');
  await mayInvite(doing, whom.role);
  await sameVersion(whom, version, async () => viewOf(whom));
  return whom;
}

async function keep(store: FleetStore, { id, version }: Row, more: Partial<Row>) {
  await store
    .update(person)
    .set({ ...more, version: version + 1 })
    .where(eq(person.id, id));
  return { unitId: null, changed: [changed('person', id, version + 1)] };
}

/** What is kept of a command that carries a code: never the code. */
const withoutCode = <B extends { code: string }>({ code: _, ...rest }: B) => rest;

export const invitePerson: Handler<'invite-person'> = async (doing) => {
  const { store, session, now, body } = doing;
  await mayInvite(doing, body.form.role);
  const [taken] = await store.select({ id: person.id }).from(person).where(eq(person.signIn, body.signIn));
  if (taken) throw invalid('body.signIn', 'name-taken', body.signIn);
  await store.insert(person).values({
    fleetId: session.fleet.id,
    id: body.person,
    signIn: body.signIn,
    ...body.form,
    work: body.form.work ?? NO_WORK,
    passwordHash: await noPassword(),
    ...inviteBy(body.code, now),
  });
  return { unitId: null, changed: [changed('person', body.person, 1)], eventBody: withoutCode(body) };
};

export const setPerson: Handler<'set-person'> = async (doing) => {
  const whom = await another(doing, doing.body.person, doing.body.version);
  const { form } = doing.body;
  await mayInvite(doing, form.role);
  return keep(doing.store, whom, { ...form, work: form.work ?? whom.work });
};

/** Neither password nor PIN, and no second factor asked for. */
const noWayIn = async () => ({ passwordHash: await noPassword(), pinHash: null, pinTries: 0, ...NO_FACTOR });

export const setPersonLeft: Handler<'set-person-left'> = async (doing) => {
  const { store, now, body } = doing;
  const whom = await another(doing, body.person, body.version);
  if (body.left) {
    await endSessions(store, whom.id);
    await revokeKeys(store, whom.id, now);
  }
  const gone = body.left ? { inviteHash: null, inviteUntil: null, ...(await noWayIn()) } : {};
  return keep(store, whom, { active: !body.left, ...gone });
};

export const resetPerson: Handler<'reset-person'> = async (doing) => {
  const { store, now, body } = doing;
  const whom = await another(doing, body.person, body.version);
  if (!whom.active) throw notNow('has-left');
  await endSessions(store, whom.id);
  await revokeKeys(store, whom.id, now);
  const done = await keep(store, whom, { ...(await noWayIn()), ...inviteBy(body.code, now) });
  return { ...done, eventBody: withoutCode(body) };
};

export const setOwnUnits: Handler<'set-own-units'> = async ({ store, session, body }) => {
  await store.update(person).set({ units: body.units }).where(eq(person.id, session.person.id));
  return { unitId: null, changed: [changed('person', session.person.id)] };
};
