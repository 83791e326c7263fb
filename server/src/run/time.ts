/** How long a device may go without a server. */
const OFFLINE_DAYS = Number(process.env.ZA_OFFLINE_DAYS ?? 30);
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

/** A device's clock is a statement: `at` when it was done, `sent` when it was sent, both by it; `now` is ours. */
export function whenDone({ at, sent }: { at: string; sent?: string | undefined }, now: Date): Done {
  const said = new Date(at);
  const off = sent === undefined ? 0 : now.getTime() - new Date(sent).getTime();
  const right = Math.min(said.getTime() + off, now.getTime());
  const oldest = now.getTime() - OFFLINE_DAYS * DAY_MS;
  return {
    at: new Date(Math.max(right, oldest)),
    said: Math.abs(right - said.getTime()) > SKEW_TOLD_MS ? said : null,
    sure: sent !== undefined,
    tooOld: right < oldest,
  };
}
