const DAY_MS = 86_400_000;
/** A clock that is off by more is told of. */
const SKEW_TOLD_MS = 2 * 60_000;

/** When a command was done, as far as can be known. */
export interface Done {
  /** The device's word, put right by what its clock was off when it sent; never after we heard of it. */
  at: Date;
  /** What its clock said, where that differs by minutes. */
  said: Date | null;
  /** It told its clock when it sent: the order of what it did is known to us. */
  sure: boolean;
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

const time = (text: string): number => new Date(text).getTime();

/**
 * A device's clock is a statement; `now` is ours. What it says is put right by what its clock was off when it sent, and
 * an act lies between the device's last contact before it and our hearing of it: a clock that says otherwise was moved
 * in between, and the order of its acts is then unknown.
 */
export function whenDone({ at, sent, contact }: Told, { now, offlineDays }: Clock): Done {
  const said = time(at);
  const off = sent === undefined ? 0 : now.getTime() - time(sent);
  const right = Math.min(said + off, now.getTime());
  const oldest = now.getTime() - offlineDays * DAY_MS;
  const heard = contact === undefined ? 0 : Math.min(time(contact), now.getTime());
  return {
    at: new Date(Math.max(right, oldest, heard)),
    said: Math.abs(right - said) > SKEW_TOLD_MS ? new Date(said) : null,
    sure: sent !== undefined && right >= heard - SKEW_TOLD_MS,
    tooOld: Math.max(right, heard) < oldest,
  };
}
