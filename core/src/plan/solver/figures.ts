import type { PlanWeights } from '../weights-form';
import type { PlanRequest } from '../wire';
import type { Span } from './spans';

/** Later than any plan reaches; minutes. */
export const NEVER = 0x3fffffff;

/** A job as the search sees it. Minutes count from now. */
export interface ModelJob {
  id: string;
  trailer: number;
  minutes: number;
  people: number;
  kind: number;
  /** Its set-up group: the trailer's axle and set-up; -1 where it has none. */
  group: number;
  outOfService: boolean;
  weight: number;
  release: number;
  due: number;
  after: number[];
  /** Technicians with its skill, those with the fewest skills first. */
  crew: number[];
  /** It may be worked on across shift ends: it is longer than any shift of its crew. */
  splits: boolean;
  pinned: Pinned | null;
}

/** A slot that does not move. */
export interface Pinned {
  bay: number;
  technicians: number[];
  start: number;
  end: number;
  /** Minutes of set-up in it, moving in among them. */
  setup: number;
  /** Work on it began. */
  begun: boolean;
}

export interface Group {
  trailer: number;
  /** Minutes before the first job of the group in a visit, and after the last. */
  off: number;
  on: number;
}

/** A shop and its jobs, checked and in plain figures. */
export interface Model {
  request: PlanRequest;
  weights: PlanWeights;
  /** The instant that minute 0 stands for, in milliseconds. */
  zero: number;
  horizon: number;
  /** The horizon to the fraction of a minute: so long is held what has no place. */
  exactHorizon: number;
  shunt: number;
  jobs: ModelJob[];
  groups: Group[];
  trailers: string[];
  bays: { id: string; kinds: number; open: Span[]; flexibility: number }[];
  technicians: { id: string; skills: Set<string>; shifts: Span[] }[];
  /** Jobs that no crew or bay can ever take, by their index, each with why. */
  unfit: Map<number, string>;
}
