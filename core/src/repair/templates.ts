import { z } from 'zod';
import { wordsText } from '../measure';
import { BAY_KINDS } from '../people';
import { isChocked, parseSubject, STEP_KINDS } from '../reading';
import {
  ADJUSTERS,
  type Axle,
  type AxleEnd,
  BRAKE_KINDS,
  type BrakeKind,
  endSchema,
  RENEWED_PARTS,
  type Renewal,
  renewalSchema,
  SIDES,
  type Side,
} from '../trailer';
import shipped from './templates.json';

export const TEMPLATE_AT = ['end', 'axle', 'every-end', 'unit'] as const;

/** How a kind of repair goes: its steps, time, people, parts, and what is measured again. Practice; a shop changes it. */
export const templateSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: wordsText(60),
  /** What it is done to: one axle end, a whole axle, every end that has such a brake, or the unit. */
  at: z.enum(TEMPLATE_AT),
  /** Only where such a brake is fitted; everywhere unless said. */
  brakes: z.array(z.enum(BRAKE_KINDS)).optional(),
  /** Only where such a slack adjuster is known to be fitted; whatever is fitted unless said. */
  adjusters: z.array(z.enum(ADJUSTERS)).optional(),
  /** Standard minutes of one person: for one end, and for both ends of an axle. */
  minutes: z.strictObject({ one: z.int().min(5).max(4_800), both: z.int().min(5).max(4_800) }),
  people: z.int().min(1).max(6),
  skill: z.string(),
  /** What its signer must hold a paper for. */
  qualification: z.string().optional(),
  bay: z.enum(BAY_KINDS),
  wheelsOff: z.boolean(),
  /** Done at both ends of an axle, whichever was found. */
  bothEnds: z.boolean(),
  parts: z.array(z.strictObject({ part: z.string().min(1).max(40), count: z.int().min(1).max(100) })).max(20),
  steps: z.array(wordsText(120)).min(1).max(30),
  lookAt: z.array(wordsText(80)).max(20),
  /** Parts that begin a new life where this is done. */
  renews: z.array(z.enum(RENEWED_PARTS)).max(6).optional(),
  measure: z.array(z.enum(STEP_KINDS)).max(12),
  /** Defect codes and kinds of reading it repairs. */
  answers: z.array(z.string()).max(40),
});
export type Template = z.infer<typeof templateSchema>;

export const TEMPLATES = shipped.templates as readonly Template[];
/** Minutes of a set-up, paid once an axle and visit. */
export const SET_UPS: Readonly<Record<'wheels-off', number>> = shipped.setUps;

/** The template a defect is repaired by: the first that names its code, or the kind of the reading that failed, for what is fitted. */
export function templateFor(
  templates: readonly Template[],
  code: string,
  { brake, adjuster }: Pick<Partial<Axle>, 'brake' | 'adjuster'> = {},
): Template | null {
  const fitting = templates.filter(
    ({ brakes, adjusters }) =>
      (!brakes || (brake !== undefined && brakes.includes(brake))) &&
      (!adjusters || (adjuster !== undefined && adjusters.includes(adjuster))),
  );
  return (
    fitting.find(({ answers }) => answers.includes(code)) ??
    fitting.find(({ answers }) => answers.includes(parseSubject(code).kind)) ??
    null
  );
}

export type End = AxleEnd;

/** Work by a template, at these axle ends; at none where it is of the whole unit. */
export interface Work {
  template: Template;
  ends: readonly End[];
}

const workStepSchema = z.strictObject({
  key: z.string(),
  words: z.string(),
  /** Something to look at besides: it may find more. */
  look: z.boolean(),
});
export const workSchema = z.strictObject({
  templates: z.array(z.strictObject({ id: z.string(), name: z.string() })),
  minutes: z.int(),
  people: z.int(),
  skills: z.array(z.string()),
  qualifications: z.array(z.string()),
  bay: z.enum(BAY_KINDS).nullable(),
  /** Wheels that come off, and are torqued one by one. */
  wheels: z.array(endSchema),
  steps: z.array(workStepSchema),
  parts: z.array(z.strictObject({ part: z.string(), count: z.int() })),
  /** Parts that begin a new life with it, end by end. */
  renews: z.array(renewalSchema),
  /** What its work may have moved, and is measured again; left out by jobs from before that was kept. */
  measures: z
    .array(z.strictObject({ kind: z.enum(STEP_KINDS), axle: z.int().nullable(), side: z.enum(SIDES).nullable() }))
    .optional(),
});
export type Moved = NonNullable<JobWork['measures']>[number];
/** What a job is made of, as its templates said when it was made. */
export type JobWork = z.infer<typeof workSchema>;
export const NO_WORK_KNOWN: JobWork = {
  templates: [],
  minutes: 0,
  people: 1,
  skills: [],
  qualifications: [],
  bay: null,
  wheels: [],
  steps: [],
  parts: [],
  renews: [],
};

const BAY_RANK = ['lift', 'long', 'floor', 'wash', 'yard'] as const;

/** Every end of the axles that have such a brake. */
const everyEnd = ({ brakes }: Template, axles: readonly Axle[]): End[] =>
  axles.flatMap(({ brake }, index) =>
    brakes && !brakes.includes(brake) ? [] : SIDES.map((side: Side) => ({ axle: index + 1, side })),
  );

/** The ends a template works at: both of an axle where it is done so. */
function endsOfWork({ template, ends }: Work, axles: readonly Axle[]): End[] {
  if (template.at === 'unit') return [];
  if (template.at === 'every-end') return everyEnd(template, axles);
  const there = ends.filter(({ axle }) => axle <= axles.length);
  if (!template.bothEnds && template.at !== 'axle') return there;
  const numbers = [...new Set(there.map(({ axle }) => axle))];
  return numbers.flatMap((axle) => SIDES.map((side: Side) => ({ axle, side })));
}

const axlesOf = (ends: readonly End[]): number[] => [...new Set(ends.map(({ axle }) => axle))].sort((a, b) => a - b);
const sideWords = (ends: readonly End[], axle: number): string => {
  const here = ends.filter((end) => end.axle === axle);
  return here.length === 2 ? `Axle ${axle}` : `${axle}${here[0]?.side === 'left' ? 'L' : 'R'}`;
};
const summed = <T>(rows: readonly T[], key: (row: T) => string, count: (row: T) => number): Map<string, number> => {
  const sums = new Map<string, number>();
  for (const row of rows) sums.set(key(row), (sums.get(key(row)) ?? 0) + count(row));
  return sums;
};

function stepsOf(work: Work, ends: readonly End[]): JobWork['steps'] {
  const { id, name, steps, lookAt } = work.template;
  const places = ends.length ? axlesOf(ends).map((axle) => sideWords(ends, axle)) : [''];
  return places.flatMap((place) => {
    const at = place ? `${place}, ` : '';
    const step = (words: string, index: number, look: boolean) => ({
      key: `${id} ${place} ${look ? 'look' : 'step'} ${index}`.replaceAll(/ +/g, ' '),
      words: look ? `${at}look at: ${words}` : `${at}${name.toLowerCase()}: ${words}`,
      look,
    });
    return [...steps.map((words, n) => step(words, n, false)), ...lookAt.map((words, n) => step(words, n, true))];
  });
}

/** Minutes of one template at its ends: the axle's figure where both ends of it are done. */
const minutesOf = ({ template }: Work, ends: readonly End[]): number =>
  ends.length === 0
    ? template.minutes.one
    : axlesOf(ends).reduce(
        (sum, axle) => sum + template.minutes[ends.filter((end) => end.axle === axle).length === 2 ? 'both' : 'one'],
        0,
      );

/** A disc has a rotor, and a drum brake a drum. */
const isFitted = (part: Renewal['part'], brake: BrakeKind | undefined): boolean => {
  const disc = brake === 'air-disc' || brake === 'hydraulic-disc';
  return part === 'rotor' ? disc : part !== 'drum' || !disc;
};

const renewalsOf = ({ template }: Work, ends: readonly End[], axles: readonly Axle[]): Renewal[] =>
  (template.renews ?? []).flatMap((part) =>
    ends.filter(({ axle }) => isFitted(part, axles[axle - 1]?.brake)).map((end) => ({ part, ...end })),
  );

/** What a piece of work may have moved: each kind it names, at every end it was done at. */
const movedBy = ({ template }: Work, ends: readonly End[]): Moved[] =>
  template.measure.flatMap((kind): Moved[] =>
    template.at === 'unit' ? [{ kind, axle: null, side: null }] : ends.map((end) => ({ kind, ...end })),
  );

/** How often parts are counted: once an axle, once an end, or once. */
const timesOf = ({ template }: Work, ends: readonly End[]): number =>
  template.at === 'unit' ? 1 : template.at === 'end' ? ends.length : axlesOf(ends).length;

/** Whether somebody is under it with its brakes let go: wheels off, or a brake moved or measured. */
const asksChocks = ({ template: { wheelsOff, measure } }: Work): boolean =>
  wheelsOff || measure.some((kind) => isChocked({ kind }));

/**
 * One job of several pieces of work: wheels come off an axle once, however much is done there, and every part, step
 * and person is named. The sum of minutes is of one person after another.
 */
export function jobOf(works: readonly Work[], axles: readonly Axle[]): JobWork {
  const each = works.map((work) => ({ work, ends: endsOfWork(work, axles) }));
  const wheels = [
    ...new Map(
      each
        .filter(({ work }) => work.template.wheelsOff)
        .flatMap(({ ends }) => ends)
        .map((end) => [`${end.axle}${end.side}`, end]),
    ).values(),
  ].sort((a, b) => a.axle - b.axle || (a.side < b.side ? -1 : 1));
  const off = axlesOf(wheels);
  const place = (axle: number) => sideWords(wheels, axle);
  const parts = summed(
    each.flatMap(({ work, ends }) =>
      work.template.parts.map(({ part, count }) => ({ part, count: count * timesOf(work, ends) })),
    ),
    ({ part }) => part,
    ({ count }) => count,
  );
  const bays = works.map(({ template }) => template.bay);
  return {
    templates: works.map(({ template: { id, name } }) => ({ id, name })),
    minutes: each.reduce((sum, { work, ends }) => sum + minutesOf(work, ends), 0) + off.length * SET_UPS['wheels-off'],
    people: Math.max(1, ...works.map(({ template }) => template.people)),
    skills: [...new Set(works.map(({ template }) => template.skill))],
    qualifications: [...new Set(works.flatMap(({ template }) => template.qualification ?? []))],
    bay: BAY_RANK.find((kind) => bays.includes(kind)) ?? null,
    wheels,
    steps: [
      ...(works.some(asksChocks) ? [{ key: 'chocked', words: 'Wheels chocked, both ways', look: false }] : []),
      ...off.map((axle) => ({ key: `off ${axle}`, words: `${place(axle)}: on stands, wheels off`, look: false })),
      ...each.flatMap(({ work, ends }) => stepsOf(work, ends)),
      ...off.map((axle) => ({ key: `on ${axle}`, words: `${place(axle)}: wheels on`, look: false })),
    ],
    parts: [...parts].map(([part, count]) => ({ part, count })),
    renews: each.flatMap(({ work, ends }) => renewalsOf(work, ends, axles)),
    measures: each.flatMap(({ work, ends }) => movedBy(work, ends)),
  };
}

/** The work for defects as their codes say: each template once, at all the ends it was found at. */
export function workFor(
  templates: readonly Template[],
  defects: readonly { code: string; axle: number | null; side: Side | null }[],
  axles: readonly Axle[],
): Work[] {
  const works = new Map<string, { template: Template; ends: End[] }>();
  for (const { code, axle, side } of defects) {
    const template = templateFor(templates, code, axles[(axle ?? 0) - 1]);
    if (!template) continue;
    const own = works.get(template.id) ?? { template, ends: [] };
    const known = own.ends.some((end) => end.axle === axle && end.side === side);
    if (axle !== null && side !== null && !known) own.ends.push({ axle, side });
    works.set(template.id, own);
  }
  return [...works.values()];
}
