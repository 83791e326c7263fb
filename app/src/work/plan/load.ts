import { type Board, dayAfter, dayBegins, dayIn, type KeptSlot } from '@zealous-axle/core';

const MINUTE_MS = 60_000;
const within = (from: string, to: string, begin: string, end: string): number =>
  Math.max(0, Math.min(Date.parse(to), Date.parse(end)) - Math.max(Date.parse(from), Date.parse(begin))) / MINUTE_MS;

export interface Load {
  id: string;
  name: string;
  days: { day: string; booked: number; open: number }[];
}

/** Minutes booked and minutes there, for each bay and person, from now to the end of today, and tomorrow. */
export function loadOf({ now, zone, bays, people, request }: Board, slots: readonly KeptSlot[]): Load[] {
  const today = dayIn(zone, now);
  const days = [today, dayAfter(today, 1)];
  const rows = [
    ...bays.map(({ id, name }) => ({
      id,
      name,
      open: request.bays.find((each) => each.id === id)?.open ?? [],
      own: slots.filter(({ bay }) => bay === id),
    })),
    ...people.map(({ id, name }) => ({
      id,
      name,
      open: request.technicians.find((each) => each.id === id)?.shifts ?? [],
      own: slots.filter(({ technicians }) => technicians.includes(id)),
    })),
  ];
  return rows.map(({ id, name, open, own }) => ({
    id,
    name,
    days: days.map((day) => {
      const [from, to] = [dayBegins(zone, day), dayBegins(zone, dayAfter(day, 1))];
      const begin = from < now ? now : from;
      const booked = own.reduce((sum, { start, end }) => sum + within(begin, to, start, end), 0);
      // What is begun has its hours taken out of what is open: they count on both sides.
      const taken = own
        .filter(({ job }) => !request.jobs.some((each) => each.id === job))
        .reduce((sum, { start, end }) => sum + within(begin, to, start, end), 0);
      return {
        day,
        booked: Math.round(booked),
        open: Math.round(open.reduce((sum, [start, end]) => sum + within(begin, to, start, end), taken)),
      };
    }),
  }));
}
