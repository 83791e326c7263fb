import type { Slot } from '../wire';
import type { Decoder } from './decode';
import type { Costed } from './first';

/** The choice that a given plan was made by, as near as it can be told from its slots; its cost is what it decodes to. */
export function givenChoice(decoder: Decoder, slots: readonly Slot[]): Costed | null {
  const { model, free, count } = decoder.shop;
  const known = new Map(slots.map((slot) => [slot.job, slot]));
  const slotOf = (at: number) => known.get(model.jobs[free[at] ?? 0]?.id ?? '');
  const start = (at: number) => Date.parse(slotOf(at)?.start ?? '9999-12-31T00:00:00Z');
  const order = Int32Array.from([...Array(count).keys()].sort((a, b) => start(a) - start(b) || a - b));
  const visit = new Int32Array(count);
  const person = new Int32Array(count).fill(-1);
  const room = new Int32Array(count).fill(-1);
  const inBay = new Map<string, string>();
  const lastOf = new Map<number, { visit: number; bay: string; kinds: number }>();
  const people = new Map(model.technicians.map(({ id }, index) => [id, index]));
  for (const at of order) {
    const slot = slotOf(at);
    const trailer = decoder.shop.trailer[at] ?? 0;
    const before = lastOf.get(trailer);
    const name = String(trailer);
    const kinds = (before?.kinds ?? 0) | (decoder.shop.kind[at] ?? 0);
    const goesOn = slot && before && before.bay === slot.bay && inBay.get(slot.bay) === name;
    const own = goesOn && decoder.roomFits(kinds).length ? before.visit : at;
    visit[at] = own;
    if (!slot) continue;
    lastOf.set(trailer, { visit: own, bay: slot.bay, kinds: own === at ? (decoder.shop.kind[at] ?? 0) : kinds });
    inBay.set(slot.bay, name);
    person[at] = people.get(slot.technicians[0] ?? '') ?? -1;
    if (person[at] >= 0 && !decoder.shop.crew[at]?.includes(person[at])) person[at] = -1;
    const bay = model.bays.findIndex(({ id }) => id === slot.bay);
    const rooms = decoder.shop.rooms.flatMap((each, index) => (each.bay === bay ? [index] : []));
    room[own] = rooms.length === 1 ? (rooms[0] ?? -1) : -1;
  }
  // What holds a trailer is in one visit.
  for (const here of decoder.shop.jobsOf) {
    const holding = here.filter((at) => decoder.shop.outOfService[at] === 1);
    const [first] = holding;
    if (first !== undefined) for (const at of holding) visit[at] = visit[first] ?? first;
  }
  const choice = { order, visit, room, person };
  const cost = decoder.decode(choice);
  return Number.isFinite(cost) ? { choice, cost } : null;
}
