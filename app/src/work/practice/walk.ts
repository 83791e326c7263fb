import {
  DEFAULT_BOOK,
  type Draft,
  keyOf,
  newDraft,
  type Reading,
  ROUTES,
  type Route,
  type Step,
  withNote,
} from '@zealous-axle/core';
import {
  type Debrief,
  debrief,
  type MadeUp,
  makeUp,
  PRACTICE_ROUTES,
  type Said,
  type Taken,
  type Vehicle,
  type Walked,
} from '@zealous-axle/core/practice';

import type { Own } from './own';

/** What to make up: the same again from the same words. */
export interface Wanted {
  seed: number;
  level: number;
  route: string;
  vehicle: Vehicle;
  task: string | null;
}

/** A walk round something made up, as the device keeps it. */
export interface Walk extends Wanted {
  id: string;
  startedAt: string;
  /** A draft for each unit, in the order they are walked. */
  drafts: Draft[];
  at: number;
  chocked: boolean;
  /** Something was touched before the chocks were laid. */
  unchocked: boolean;
  taken: Taken[];
  mayGo: boolean | null;
  finishedAt: string | null;
}

const RULES = { book: DEFAULT_BOOK, policies: {}, limits: [] } as const;

/** A route by its id: made for practice, shipped, or the shop's own. */
export const routeOf = (id: string, own: readonly Route[]): Route | null =>
  [...PRACTICE_ROUTES, ...own, ...ROUTES].find((route) => route.id === id) ?? null;

export const madeUpOf = ({ seed, level, route, vehicle }: Wanted, own: Own): MadeUp | null => {
  const found = routeOf(route, own.routes);
  return found ? makeUp(seed, level, found, vehicle, own.checks) : null;
};

/** What the watch shows of an air test stands on its pad already: nobody waits for it. */
function timed(draft: Draft, made: MadeUp['units'][number]): Draft {
  const { buildUp } = made.truth.air;
  return draft.steps.reduce((now, step) => {
    if (step.kind !== 'air-test') return now;
    const seconds =
      step.item === 'build-up'
        ? buildUp
        : step.item === 'suspension-leak'
          ? 300
          : step.item?.startsWith('leak')
            ? 60
            : null;
    return seconds === null ? now : withNote(now, step, { seconds, vehicles: 'single' });
  }, draft);
}

export function beginWalk(wanted: Wanted, made: MadeUp, id: string, now: string): Walk {
  const drafts = made.units.map((each, nth) => {
    const { route } = made;
    const draft = newDraft({
      inspection: `${id}/${nth}`,
      unit: { ...each.unit, kind: each.unit.kind },
      rules: { ...RULES, checks: [...made.checks] },
      purpose: 'walk',
      job: null,
      previous: {},
      startedAt: now,
      steps: [...each.steps],
      route: {
        id: route.id,
        name: route.name,
        sections: route.sections.map(({ id: own, name, says, oneByOne }) => ({ id: own, name, says, oneByOne })),
      },
    });
    return timed(draft, each);
  });
  return {
    ...wanted,
    id,
    startedAt: now,
    drafts,
    at: 0,
    chocked: false,
    unchocked: false,
    taken: [],
    mayGo: null,
    finishedAt: null,
  };
}

/** With a reading taken, and how much it was said to press. */
export const withTaken = (walk: Walk, unit: string, step: Step, reading: Reading, said: Said): Walk => ({
  ...walk,
  unchocked: walk.unchocked || !walk.chocked,
  taken: [...walk.taken, { unit, key: keyOf(step), reading, said }],
});

/** Whether every step of every unit was taken or passed over. */
export const isWalked = ({ drafts }: Walk): boolean =>
  drafts.every((draft) =>
    draft.steps.every((step) => {
      const entry = draft.entries[keyOf(step)];
      return entry?.saved || entry?.skipped;
    }),
  );

const secondsOf = ({ startedAt, finishedAt }: Walk): number =>
  Math.max(0, Math.round((Date.parse(finishedAt ?? startedAt) - Date.parse(startedAt)) / 1_000));

export function debriefOf(walk: Walk, made: MadeUp): Debrief {
  const walked: Walked = {
    taken: walk.taken,
    chocked: walk.chocked && !walk.unchocked,
    mayGo: walk.mayGo ?? false,
    seconds: secondsOf(walk),
  };
  return debrief(made, walked);
}
