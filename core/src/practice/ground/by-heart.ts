import { checkEntry, goodOf } from '../../catalogue';
import { ROUTES, type Route, type Section } from '../../inspection';
import {
  type BookId,
  DEFAULT_BOOK,
  type KeptCheck,
  limitFor,
  limitWords,
  ownCheckOf,
  type Policies,
  plainBook,
  policyChoice,
} from '../../limits';
import { partRead, subjectOf, subjectWords } from '../../reading';
import { type Features, factSays, isPowerUnit, type UnitKind } from '../../trailer';
import data from './by-heart.json';
import spoken from './said.json';

/** One thing to point at on a walk, and what is said of it. */
export interface Card {
  /** The same as long as the route asks for it: what was learnt of it stays. */
  id: string;
  section: string;
  /** What one points at. */
  point: string;
  /** What one says, in whole sentences: the part, how it is held, its state, its figure. */
  says: string[];
  /** The figure that goes with it, in words; null where the sentence has it, or there is none. */
  figure: string | null;
  /** Why it matters, and the slip learners make; null where nobody wrote that down. */
  why: string | null;
  slip: string | null;
  /** A line to remember it by. */
  memory: string | null;
  /** Left out, the walk is not passed: half of it is nothing. */
  mustNotFail: boolean;
}

/** A part of a walk as an examiner sets it. */
export interface Form {
  id: string;
  name: string;
  /** The kinds of unit its route is walked round. */
  kinds: readonly UnitKind[];
  cards: Card[];
}

/** Whose figures a form has: of one vehicle, or of a combination; never both. */
export const SAID_OF = ['combination', 'single'] as const;
export type SaidOf = (typeof SAID_OF)[number];

/** What the words and figures of cards go by. */
export interface Speaking {
  book: BookId;
  policies?: Policies;
  of?: SaidOf;
  features?: Features;
  /** What the shop looks at besides. */
  checks?: readonly KeptCheck[];
  /** The shop's own sentences, by what is read or looked at. */
  phrases?: Readonly<Record<string, string>>;
}

interface Spoken {
  say: string;
  why: string;
  slip: string;
}
interface BesideData extends Spoken {
  id: string;
  section: string;
  point: string;
  after?: string;
  last?: boolean;
}
const SPOKEN = spoken.cards as Readonly<Record<string, Spoken>>;
const POLICY_WORDS = spoken.words as Readonly<Record<string, Readonly<Record<string, string>>>>;
const SUBJECT_MEMORY = spoken.memory.subjects as Readonly<Record<string, string>>;
const PART_MEMORY = spoken.memory.parts as Readonly<Record<string, string>>;
const SAYS = data.says as Readonly<Record<string, string>>;
const MUST = new Set<string>(data.mustNotFail);
/** The sentences are in the words and figures of this book. */
const SPOKEN_BOOK: BookId = 'na';

const isPower = ({ kinds }: Route): boolean => kinds.some(isPowerUnit);

/** The limit a kind of reading is held to, on a common trailer or power unit, in words. */
function figureOf({ book, of = 'combination' }: Speaking, kind: string, item: string | undefined, route: Route) {
  const power = isPower(route);
  const asking = {
    brake: 's-cam' as const,
    steer: power,
    chamber: { type: 'clamp' as const, size: '30', stroke: 'standard' as const },
    liningStyle: 'pads' as const,
    vehicles: of,
  };
  const limit = limitFor(plainBook(book), (item ?? kind) as never, asking as never);
  if (!limit) return null;
  const at =
    kind === 'stroke-applied' ? ', on a type 30 chamber' : power && kind === 'tread' ? ' on a front wheel' : '';
  return `${limitWords(limit)}${at}`;
}

/** How a pump or an alternator is driven, as a sentence says it of most: of a unit it is said as it is kept. */
const DRIVEN = /\b(?:belt|gear)-driven(?: \(look\))?/;
const drivenBy = (kept: unknown): string | null => (kept === 'belt' || kept === 'gear' ? `${kept}-driven` : null);

/** What is spoken of a subject: on a power unit of its front and its driven wheels, by the vehicle where that differs. */
function spokenOf({ book, of = 'combination' }: Speaking, subject: string, route: Route): Spoken[] {
  if (book !== SPOKEN_BOOK) return [];
  const keys = isPower(route) ? [`${subject}@steer`, `${subject}@drive`] : [`${subject}@trailer`];
  const found = [subject, `${subject}@${of}`, ...keys].flatMap((key) => SPOKEN[key] ?? []);
  return found;
}

const inPolicies = (sentence: string, policies: Policies): string =>
  sentence.replace(/\{([a-z-]+)\}/g, (whole, id: string) => POLICY_WORDS[id]?.[policyChoice(policies, id)] ?? whole);

const memoryOf = (subject: string, kind: string, item: string | undefined): string =>
  SUBJECT_MEMORY[subject] ??
  PART_MEMORY[(kind === 'check' ? checkEntry(item ?? '')?.part : partRead(kind)) ?? ''] ??
  spoken.memory.anything;

function cardOf(by: Speaking, route: Route, section: Section, asked: Section['asks'][number]): Card {
  const { kind, item } = asked;
  const { policies = {}, features = {}, phrases = {}, checks = [] } = by;
  const subject = subjectOf({ kind, item });
  const check = kind === 'check' ? checkEntry(item ?? '') : null;
  const words = subjectWords({ kind, item } as never);
  const own = phrases[subject];
  const known = spokenOf(by, subject, route);
  const [first] = known;
  const ours = kind === 'own-check' ? ownCheckOf(checks, item ?? '') : null;
  const usual = check ? goodOf(check, policies, features) : (ours?.good ?? SAYS[subject] ?? SAYS[kind] ?? words);
  const says = own ? [own] : first ? known.map(({ say }) => inPolicies(say, policies)) : [usual];
  const kept = check?.fact ? factSays(check.fact, features) : null;
  const driven = check?.fact ? drivenBy(features[check.fact as keyof Features]) : null;
  return {
    id: `${section.id}/${subject}`,
    section: section.name,
    point: check?.name ?? words,
    says: driven
      ? says.map((each) => each.replace(DRIVEN, driven))
      : kept && !says.some((each) => each.includes(kept))
        ? [...says, `${kept}.`]
        : says,
    figure: kind === 'check' ? null : figureOf(by, kind, item, route),
    why: first?.why ?? null,
    slip: first?.slip ?? null,
    memory: memoryOf(subject, kind, item),
    mustNotFail: MUST.has(subject),
  };
}

interface Beside {
  card: Card;
  after: string | null;
  last: boolean;
}

/** What is said in a section that no step of it asks for: before it, after one of its things, or at its end. */
function besideOf({ book }: Speaking, section: Section): Beside[] {
  if (book !== SPOKEN_BOOK) return [];
  return (spoken.beside as readonly BesideData[])
    .filter((each) => each.section === section.id)
    .map(({ id, point, say, why, slip, after = null, last = false }) => ({
      card: {
        id: `${section.id}/said:${id}`,
        section: section.name,
        point,
        says: [say],
        figure: null,
        why,
        slip,
        memory: null,
        mustNotFail: false,
      },
      after,
      last,
    }));
}

/** Things of which one sentence is said are one card. */
function together(cards: readonly Card[]): Card[] {
  const by = new Map<string, Card>();
  for (const card of cards) {
    const key = `${card.section} ${card.mustNotFail} ${card.says.join(' ')}`;
    const known = by.get(key);
    by.set(key, known ? { ...known, point: `${known.point}, ${card.point.toLowerCase()}` } : card);
  }
  return [...by.values()];
}

/** What a route asks for, as cards: change the route, and the cards follow. A thing asked for twice in a section is one card. */
export function cardsOf(route: Route, by: Speaking = { book: DEFAULT_BOOK }, sections: readonly string[] = []): Card[] {
  const wanted = route.sections.filter(({ id }) => sections.length === 0 || sections.includes(id));
  const all = wanted.flatMap((section) => {
    const beside = besideOf(by, section);
    const asked = section.asks.flatMap((each) => {
      const card = cardOf(by, route, section, each);
      return [card, ...beside.filter(({ after }) => after === subjectOf(each)).map(({ card: next }) => next)];
    });
    const [first, last] = [false, true].map((at) => beside.filter((each) => !each.after && each.last === at));
    return [...(first ?? []).map(({ card }) => card), ...asked, ...(last ?? []).map(({ card }) => card)];
  });
  return together([...new Map(all.map((card) => [card.id, card])).values()]);
}

/** The forms that ship, and one for each of the shop's own routes, in the words and figures of a fleet. */
export function formsOf(own: readonly Route[] = [], by: Speaking = { book: DEFAULT_BOOK }): Form[] {
  const shipped = data.forms.flatMap(({ id, name, route: routeId, sections }) => {
    const route = ROUTES.find((each) => each.id === routeId);
    if (!route) return [];
    return [
      {
        id,
        name,
        kinds: route.kinds,
        cards: cardsOf(
          route,
          by,
          sections.map((each) => sectionId(route, each)),
        ),
      },
    ];
  });
  return [
    ...shipped,
    ...own.map((route) => ({
      id: `own/${route.id}`,
      name: route.name,
      kinds: route.kinds,
      cards: cardsOf(route, by),
    })),
  ];
}

/** The id a route gives a section that the routes share under a name. */
const sectionId = (route: Route, name: string): string =>
  route.sections.find(({ id }) => id === name || name.startsWith(`${id}.`))?.id ?? name;

export interface ExamResult {
  points: number;
  of: number;
  leftOut: Card[];
  /** Items that may not fail, and were left out. */
  failedOn: Card[];
  passed: boolean;
  /** Of a hundred; what must not fail, left out, costs as the setting says. */
  marks: number;
}

/** Cards that are new in one sitting of recall, at most. */
export const FRESH_CARDS = data.freshCards;

/**
 * The result of an exam, by the ids of the cards that were said, whole or half: a point each or a half one, passed by a
 * share of them, and never without what must not fail, of which half is nothing. What was not said whole is shown again.
 */
export function examResult({ cards }: Form, said: readonly string[], half: readonly string[] = []): ExamResult {
  const [known, halves] = [new Set(said), new Set(half)];
  const leftOut = cards.filter(({ id }) => !known.has(id));
  const failedOn = leftOut.filter(({ mustNotFail }) => mustNotFail);
  const halved = leftOut.filter(({ id, mustNotFail }) => halves.has(id) && !mustNotFail).length;
  const points = cards.length - leftOut.length + halved / 2;
  return {
    points,
    of: cards.length,
    leftOut,
    failedOn,
    marks: Math.max(
      0,
      Math.round((100 * points) / Math.max(1, cards.length)) - (failedOn.length ? data.failedMarks : 0),
    ),
    passed: cards.length > 0 && failedOn.length === 0 && points >= cards.length * data.passShare,
  };
}
