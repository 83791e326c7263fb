export const ROLES = ['driver', 'technician', 'foreman', 'manager'] as const;
export type Role = (typeof ROLES)[number];

export const EVERYBODY: readonly Role[] = [...ROLES];
/** Who measures and repairs. */
export const BENCH: readonly Role[] = ['technician', 'foreman', 'manager'];
/** Who answers reports, plans, and sets what the shop judges by. */
export const SHOP: readonly Role[] = ['foreman', 'manager'];

export interface Act<State extends string, Name extends string, Need extends string = never> {
  act: Name;
  /** Empty where the act begins the thing. */
  from: readonly State[];
  to: State;
  who: readonly Role[];
  needs?: readonly Need[];
}

/** Why an act may not be done now. `missing` names what it still needs. */
export interface Refusal {
  because: 'role' | 'state' | 'needs';
  message: string;
  missing?: string[];
}
export type Allowed<State> = { ok: true; to: State } | ({ ok: false } & Refusal);

const ARTICLE: Record<Role, string> = {
  driver: 'a driver',
  technician: 'a technician',
  foreman: 'a foreman',
  manager: 'a manager',
};
const list = (words: readonly string[], last: 'or' | 'and') =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`;

/** Whether `role` may do `act` on something in `state` (null: it does not exist yet), given what is at hand. */
export function mayAct<State extends string, Name extends string, Need extends string>(
  table: readonly Act<State, Name, Need>[],
  subject: string,
  state: State | null,
  act: Name,
  role: Role,
  given: Partial<Record<Need, boolean>> = {},
): Allowed<State> {
  const rows = table.filter((row) => row.act === act);
  if (!rows.some(({ who }) => who.includes(role))) {
    const who = [...new Set(rows.flatMap((row) => row.who))].map((each) => ARTICLE[each]);
    return { ok: false, because: 'role', message: `Only ${list(who, 'or')} can ${act} ${subject}.` };
  }
  const row = rows.find(
    ({ from, who }) => (state === null ? from.length === 0 : from.includes(state)) && who.includes(role),
  );
  if (!row)
    return { ok: false, because: 'state', message: `Cannot ${act} ${subject} while it is ${state ?? 'not there'}.` };
  const missing = (row.needs ?? []).filter((need) => !given[need]);
  if (missing.length)
    return {
      ok: false,
      because: 'needs',
      missing,
      message: `To ${act} ${subject}, still needed: ${list(missing, 'and')}.`,
    };
  return { ok: true, to: row.to };
}

/** Who may ever do an act, whatever the state: in the order of {@link ROLES}. */
export const whoMay = <State extends string, Name extends string, Need extends string>(
  table: readonly Act<State, Name, Need>[],
  // Known from the table alone: an act it does not have is no act.
  act: NoInfer<Name>,
): Role[] => ROLES.filter((role) => table.some((row) => row.act === act && row.who.includes(role)));

/** Whether `role` may do `act` now, were everything it needs at hand: what a screen offers. */
export function mayNow<State extends string, Name extends string, Need extends string>(
  table: readonly Act<State, Name, Need>[],
  state: State | null,
  act: Name,
  role: Role,
): boolean {
  const allowed = mayAct(table, '', state, act, role);
  return allowed.ok || allowed.because === 'needs';
}
