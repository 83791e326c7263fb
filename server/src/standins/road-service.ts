import type { RoadCall } from '@zealous-axle/core';

const MINUTE_MS = 60_000;
/** How long this made-up provider takes, in minutes from when it is asked. */
const ACCEPTS = 3;
const ARRIVES = 45;
const WORKS = 50;
/** Its rates, in hundredths. */
const CALL_OUT = 18_500;
const AN_HOUR = 11_000;

type Told = Pick<RoadCall, 'state' | 'eta' | 'report'>;

/**
 * A road service that stands in for a real one: it accepts, arrives, and reports parts and time, each at its minute after
 * it was asked. `asked` and `now` are instants.
 */
export function roadService(asked: Date, now: Date): Told {
  const minutes = (now.getTime() - asked.getTime()) / MINUTE_MS;
  const eta = new Date(asked.getTime() + ARRIVES * MINUTE_MS).toISOString();
  if (minutes < ACCEPTS) return { state: 'asked', eta: null, report: null };
  if (minutes < ARRIVES) return { state: 'accepted', eta, report: null };
  if (minutes < ARRIVES + WORKS) return { state: 'arrived', eta, report: null };
  const report = {
    done: 'Repaired at the roadside',
    parts: 'Carried along, as the invoice says',
    minutes: WORKS,
    invoice: CALL_OUT + Math.round((AN_HOUR * WORKS) / 60),
  };
  return { state: 'done', eta, report };
}
