/** How long this made-up provider takes for each thing after the one before, in minutes. */
const ACCEPTS = 3;
const ARRIVES = 42;
const WORKS = 50;
/** Its rates, in hundredths. */
const CALL_OUT = 18_500;
const AN_HOUR = 11_000;
const MADE_UP = 'Made up by the stand-in';

export interface MadeUpAnswer {
  state: 'accepted' | 'arrived' | 'done';
  /** Minutes after what came before it. */
  after: number;
  /** Minutes from it until it says it is there. */
  arrivesIn: number | null;
  words: string;
  report: { done: string; parts: string; minutes: number; invoice: number } | null;
}

/** What a road service that stands in for a real one says, one after the other. Nobody was called. */
export const MADE_UP_ANSWERS: readonly MadeUpAnswer[] = [
  { state: 'accepted', after: ACCEPTS, arrivesIn: ARRIVES, words: MADE_UP, report: null },
  { state: 'arrived', after: ARRIVES, arrivesIn: null, words: MADE_UP, report: null },
  {
    state: 'done',
    after: WORKS,
    arrivesIn: null,
    words: MADE_UP,
    report: {
      done: 'Made up: repaired at the roadside',
      parts: 'Made up: carried along, as the invoice says',
      minutes: WORKS,
      invoice: CALL_OUT + Math.round((AN_HOUR * WORKS) / 60),
    },
  },
];
