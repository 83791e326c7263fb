import { STRIDE } from './layout';
import { place } from './places';
import { type DecoderShop, FEW } from './shop';
import type { Choice, DecoderState } from './state';

/** Past the last change by so many positions, an attempt that already costs so many times what may be added is given up; of many jobs sooner. */
const PAST = { few: 12, many: 4 };
/** How many jobs get their place between two looks at the clock; of a large shop each takes its time. */
const LOOK = { few: 8, many: 1 };
const HOPELESS = { few: 1.5, many: 1 };

/** Takes a choice in hand. */
export function take(shop: DecoderShop, now: DecoderState, { order, visit, room, person }: Choice): void {
  now.order = order;
  now.visit = visit;
  now.visitRoom = room;
  now.person = person;
  const { position, visitSize, visitKinds, pairSize } = now;
  const { count } = shop;
  visitSize.fill(0);
  visitKinds.fill(0);
  pairSize.fill(0);
  for (let index = 0; index < count; index++) {
    const at = order[index]!;
    position[at] = index;
    const own = visit[index]!;
    visitSize[own]!++;
    visitKinds[own]! |= shop.kind[index]!;
    const group = shop.groupOnTrailer[index]!;
    if (group >= 0) pairSize[shop.pairBase[own]! + group]!++;
  }
}

/** Gives every job from a position of the order on its place; what it all costs. */
export function run(shop: DecoderShop, now: DecoderState, from: number, to: number, limit: number): number {
  now.decodes++;
  const point = Math.floor(from / STRIDE);
  const S = now.state;
  S.set(now.keptStates[point]!);
  now.cost = now.keptCosts[point]!;
  now.limit = limit;
  now.broken = false;
  now.triedFrom = point;
  now.triedTo = point;
  now.rest = null;
  const { order } = now;
  const { count, atPlaced } = shop;
  const size = count <= FEW ? 'few' : 'many';
  const look = LOOK[size];
  const past = to + PAST[size];
  const hopeless = (limit - now.keptCost) * HOPELESS[size];
  // Past the last change the kept states may come out again: then the rest is known.
  for (let index = point * STRIDE; index < count; index++) {
    if (index % STRIDE === 0 && index > point * STRIDE) {
      const here = index / STRIDE;
      now.triedStates[here]!.set(S);
      now.triedCosts[here] = now.cost;
      now.triedTo = here;
      if (index > to && !shop.waitsElsewhere && isAsKept(shop, now, here)) {
        now.rest = now.cost - now.keptCosts[here]!;
        return now.keptCost + now.rest;
      }
      // How late the last job is so far says nothing yet of how late the last of all will be.
      const later = shop.sumWeights.makespanMinutes * (S[0]! - now.keptStates[here]![0]!);
      const added = now.cost - now.keptCosts[here]! - later;
      if (index >= past && added > hopeless) return Number.POSITIVE_INFINITY;
    }
    if ((index - point * STRIDE) % look === look - 1 && now.giveUp()) {
      stopPlacing(now);
      return Number.POSITIVE_INFINITY;
    }
    const at = order[index]!;
    if (S[atPlaced + at] !== 0) continue;
    now.at = index;
    if (!place(shop, now, at) || now.broken) {
      stopPlacing(now);
      return Number.POSITIVE_INFINITY;
    }
  }
  return now.cost;
}

function stopPlacing(now: DecoderState): void {
  if (now.depth === 0) return;
  now.busy.fill(0);
  now.depth = 0;
}

/** Makes what was last tried what is kept. */
export function keep(shop: DecoderShop, now: DecoderState, cost: number): void {
  const { kept } = now;
  kept.start.set(now.start);
  kept.end.set(now.end);
  kept.roomOf.set(now.roomOf);
  kept.setup.set(now.setup);
  kept.putAt.set(now.putAt);
  kept.team.set(now.team);
  for (let point = now.triedFrom + 1; point <= now.triedTo; point++) {
    const state = now.keptStates[point]!;
    now.keptStates[point] = now.triedStates[point]!;
    now.triedStates[point] = state;
    now.keptCosts[point] = now.triedCosts[point]!;
  }
  if (now.rest !== null)
    for (let point = now.triedTo + 1; point < shop.points; point++)
      now.keptCosts[point] = now.keptCosts[point]! + now.rest;
  now.keptCost = cost;
  const { keptChoice } = now;
  keptChoice.order.set(now.order);
  keptChoice.visit.set(now.visit);
  keptChoice.room.set(now.visitRoom);
  keptChoice.person.set(now.person);
}

const isSame = (one: Int32Array, other: Int32Array): boolean => one.every((value, index) => value === other[index]);

/** Whether a choice is the one that is kept, and was decoded last. */
export const isKept = (
  { isWhole, keptCost, keptChoice }: DecoderState,
  { order, visit, room, person }: Choice,
): boolean =>
  isWhole &&
  Number.isFinite(keptCost) &&
  isSame(order, keptChoice.order) &&
  isSame(visit, keptChoice.visit) &&
  isSame(room, keptChoice.room) &&
  isSame(person, keptChoice.person);

/** Whether the state has come out as it is kept: what follows then is as it is kept too. */
function isAsKept(shop: DecoderShop, now: DecoderState, point: number): boolean {
  const [S, kept] = [now.state, now.keptStates[point]!];
  // What differed last mostly differs still.
  if (S[now.differs] !== kept[now.differs]) return false;
  for (let index = 0; index < shop.stateSize; index++)
    if (S[index] !== kept[index]) {
      now.differs = index;
      return false;
    }
  return true;
}

/** Puts back where the jobs stood before the last attempt. */
export function forget(now: DecoderState): void {
  const { kept } = now;
  now.start.set(kept.start);
  now.end.set(kept.end);
  now.roomOf.set(kept.roomOf);
  now.setup.set(kept.setup);
  now.putAt.set(kept.putAt);
  now.team.set(kept.team);
}
