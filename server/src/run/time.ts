import { SKEW_TOLD_MS } from '@zealous-axle/core';

const DAY_MS = 86_400_000;

/** When a command was done, as far as can be known. */
export interface When {
  /** The device's word, put right by what its clock was off when it sent; never after we heard of it. */
  at: Date;
  /** What its clock said, where that differs by minutes. */
  said: Date | null;
  /** It told its clock and its last contact, and they agree: when it was done is known to us. */
  sure: boolean;
  /** Between which moments it was done: both `at` where that is known. */
  from: Date;
  until: Date;
  /** Older than a device may go without us: it is kept, and decides nothing. */
  tooOld: boolean;
}

/** Our clock, and how many days a device may go without us. */
export interface Clock {
  now: Date;
  offlineDays: number;
}

/** What a device says of the time of an act: when it was done and when it was sent, by its own clock; `contact` by ours. */
export interface Told {
  at: string;
  sent?: string | undefined;
  contact?: string | undefined;
}

/** When the same device's acts next to this one were done: a device counts its acts, so their order is known. */
export interface Neighbours {
  before: Date | null;
  after: Date | null;
}
export const ALONE: Neighbours = { before: null, after: null };

const time = (text: string): number => new Date(text).getTime();

/**
 * A device's clock is a statement; `now` is ours. What it says is put right by what its clock was off when it sent, and
 * an act lies between the device's last contact before it and our hearing of it, and between its neighbours: a clock
 * that says otherwise was moved in between, and when it was done beside the acts of others is then unknown. Without a
 * last contact nothing is known but that it was before we heard of it.
 */
export function whenDone(
  { at, sent, contact }: Told,
  { now, offlineDays }: Clock,
  { before, after }: Neighbours = ALONE,
): When {
  const said = time(at);
  const off = sent === undefined ? 0 : now.getTime() - time(sent);
  const right = said + off;
  const oldest = now.getTime() - offlineDays * DAY_MS;
  const heard = contact === undefined ? 0 : Math.min(time(contact), now.getTime());
  const first = Math.max(heard, before?.getTime() ?? 0);
  // Before the next act, not with it: of two readings of a place the later stands.
  const last = after ? Math.max(first, after.getTime() - 1) : now.getTime();
  const known = Math.min(Math.max(right, first), last);
  const sure =
    sent !== undefined && contact !== undefined && right >= first - SKEW_TOLD_MS && right <= last + SKEW_TOLD_MS;
  const done = new Date(Math.max(known, oldest));
  const unknown =
    contact === undefined ? { from: new Date(0), until: now } : { from: new Date(first), until: new Date(last) };
  return {
    at: done,
    said: Math.abs(known - said) > SKEW_TOLD_MS ? new Date(said) : null,
    sure,
    ...(sure ? { from: done, until: done } : unknown),
    tooOld: Math.max(right, heard) < oldest,
  };
}
