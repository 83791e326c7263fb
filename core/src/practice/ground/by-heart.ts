import { checkEntry } from '../../catalogue';
import { ROUTES, type Route, type Section } from '../../inspection';
import { type BookId, DEFAULT_BOOK, limitFor, limitWords, plainBook } from '../../limits';
import { subjectOf, subjectWords } from '../../reading';
import data from './by-heart.json';

/** One thing to point at on a walk, and what is said of it. */
export interface Card {
  /** The same as long as the route asks for it: what was learnt of it stays. */
  id: string;
  section: string;
  /** What one points at. */
  point: string;
  /** What one says: held, whole, dry. */
  says: string[];
  /** The figure that goes with it, in words; null where there is none. */
  figure: string | null;
  /** Left out, the walk is not passed. */
  mustNotFail: boolean;
}

/** A part of a walk as an examiner sets it. */
export interface Form {
  id: string;
  name: string;
  cards: Card[];
}

const SAYS = data.says as Readonly<Record<string, string>>;
const MUST = new Set<string>(data.mustNotFail);

/** The limit a kind of reading is held to, on a common trailer or power unit, in words. */
function figureOf(book: BookId, kind: string, item: string | undefined, route: Route): string | null {
  const power = route.kinds.some((each) => each === 'tractor' || each === 'truck' || each === 'bus');
  const asking = {
    brake: 's-cam' as const,
    steer: power,
    chamber: { type: 'clamp' as const, size: '30', stroke: 'standard' as const },
    liningStyle: 'pads' as const,
    vehicles: 'combination' as const,
  };
  const limit = limitFor(plainBook(book), (item ?? kind) as never, asking as never);
  if (!limit) return null;
  const of =
    kind === 'stroke-applied' ? ', on a type 30 chamber' : power && kind === 'tread' ? ' on a front wheel' : '';
  return `${limitWords(limit)}${of}`;
}

function cardOf(book: BookId, route: Route, section: Section, asked: Section['asks'][number]): Card {
  const { kind, item } = asked;
  const subject = subjectOf({ kind, item });
  const check = kind === 'check' ? checkEntry(item ?? '') : null;
  const parts = (check?.good ?? SAYS[subject] ?? SAYS[kind] ?? subjectWords({ kind, item } as never))
    .split(/[,;:] /)
    .map((each) => each.trim())
    .filter(Boolean);
  return {
    id: `${section.id}/${subject}`,
    section: section.name,
    point: check?.name ?? subjectWords({ kind, item } as never),
    says: parts,
    figure: kind === 'check' ? null : figureOf(book, kind, item, route),
    mustNotFail: MUST.has(subject),
  };
}

/** What a route asks for, as cards: change the route, and the cards follow. A thing asked for twice in a section is one card. */
export function cardsOf(route: Route, book: BookId = DEFAULT_BOOK, sections: readonly string[] = []): Card[] {
  const wanted = route.sections.filter(({ id }) => sections.length === 0 || sections.includes(id));
  const all = wanted.flatMap((section) => section.asks.map((asked) => cardOf(book, route, section, asked)));
  return [...new Map(all.map((card) => [card.id, card])).values()];
}

/** The forms that ship, and one for each of the shop's own routes; the figures are a book's. */
export function formsOf(own: readonly Route[] = [], book: BookId = DEFAULT_BOOK): Form[] {
  const shipped = data.forms.flatMap(({ id, name, route: routeId, sections }) => {
    const route = ROUTES.find((each) => each.id === routeId);
    if (!route) return [];
    return [
      {
        id,
        name,
        cards: cardsOf(
          route,
          book,
          sections.map((each) => sectionId(route, each)),
        ),
      },
    ];
  });
  return [
    ...shipped,
    ...own.map((route) => ({ id: `own/${route.id}`, name: route.name, cards: cardsOf(route, book) })),
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

/** The result of an exam, by the ids of the cards that were said: a point each, passed by a share of them, and never without what must not fail. */
export function examResult({ cards }: Form, said: readonly string[]): ExamResult {
  const known = new Set(said);
  const leftOut = cards.filter(({ id }) => !known.has(id));
  const failedOn = leftOut.filter(({ mustNotFail }) => mustNotFail);
  const points = cards.length - leftOut.length;
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
