import { firstState } from './first-state';
import { zeros } from './jobs';
import type { DecoderShop } from './shop';

/** What the search varies. Jobs are counted among those that are free to move: see `free` of the shop. */
export interface Choice {
  /** The order in which jobs are given their place. */
  order: Int32Array;
  /** The visit of each job; a trailer's visits are numbered from its first free job on. */
  visit: Int32Array;
  /** The room a visit must stand in; -1 where the first that is free will do. */
  room: Int32Array;
  /** A technician who must be among those of a job; -1 where anybody with the skill will do. */
  person: Int32Array;
}

/** Where each job was put. */
const putsOf = (n: number, mostPeople: number) => ({
  start: zeros(n),
  end: zeros(n),
  roomOf: zeros(n),
  setup: zeros(n),
  putAt: zeros(n),
  team: zeros(n * mostPeople),
});

/** What changes as a shop is decoded: of the choice in hand, and of what was kept last. */
export function stateOf(shop: DecoderShop) {
  const { count, points, stateSize, mostPeople } = shop;
  const states = () => Array.from({ length: points }, () => zeros(stateSize));
  const first = firstState(shop);
  const now = {
    /** Decodes begun so far. */
    decodes: 0,
    state: zeros(stateSize),

    // Of the choice being decoded.
    order: zeros(count),
    visit: zeros(count),
    visitRoom: zeros(count),
    person: zeros(count),
    position: zeros(count),
    visitSize: zeros(count),
    visitKinds: zeros(count),
    pairSize: zeros(shop.pairs),
    cost: 0,
    limit: Number.POSITIVE_INFINITY,
    broken: false,
    at: 0,
    depth: 0,
    busy: new Uint8Array(Math.max(1, count)),

    // Stored states of what is kept, and of what is tried; where each job was put.
    keptStates: states(),
    keptCosts: new Float64Array(points),
    triedStates: states(),
    triedCosts: new Float64Array(points),
    ...putsOf(count, mostPeople),
    kept: putsOf(count, mostPeople),
    /** Whether what was decoded last is what is kept, whole: nothing was tried since. */
    isWhole: false,
    /** The choice that is kept: decoded again it comes out the same. */
    keptChoice: { order: zeros(count).fill(-1), visit: zeros(count), room: zeros(count), person: zeros(count) },
    keptCost: Number.POSITIVE_INFINITY,
    triedFrom: 0,
    triedTo: 0,
    /** What the rest costs more than as it is kept, where the state came out again; null where all was decoded. */
    rest: null as number | null,
    /** Where the state differed from the kept one last. */
    differs: 0,

    /** Whether what is being decoded is to be given up; throws where nothing would be left without it. */
    giveUp: (): boolean => false,

    // Who was found for the job in hand.
    team1: zeros(mostPeople),
    found: zeros(mostPeople),
    reach: zeros(shop.time.length),
  };
  now.keptStates[0]!.set(first.state);
  now.triedStates[0]!.set(first.state);
  now.keptCosts[0] = first.cost;
  now.triedCosts[0] = first.cost;
  return now;
}
export type DecoderState = ReturnType<typeof stateOf>;
