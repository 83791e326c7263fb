import { performance } from 'node:perf_hooks';
import {
  aheadOf,
  BOOKS,
  FORECAST,
  forecastOf,
  livesAt,
  parseKey,
  randomOf,
  reaches,
  readingKey,
  slopeOf,
  type Unit,
  valueAt,
  type WearingKind,
  wearsDown,
  wornTo,
} from '@zealous-axle/core';
import pg from 'pg';
import { BODIES } from '../server/src/demo/fleet';
import { wornReadings } from '../server/src/demo/history';
import { cookieOf, LARGE } from './cluster';
import { middle, round, say } from './figures';

const UNITS = 400;
const YEAR = 365;
/** How much of each history is shown to the forecast. Days. */
const SHOWN = 270;
const DAY_MS = 86_400_000;
const FIRST = Date.parse('2025-01-01T12:00:00Z');
const at = (day: number) => new Date(FIRST + day * DAY_MS).toISOString();

interface Taken {
  day: number;
  at: string;
  value: ReturnType<typeof wornReadings>[number][number];
}

/** The demo's history of made-up units: inspected every six to ten weeks for a year. */
function histories(): { unit: Unit; taken: Taken[] }[] {
  const random = randomOf(77);
  const bodies = Object.values(BODIES);
  return Array.from({ length: UNITS }, (_, n) => {
    const body = bodies[n % bodies.length] as (typeof bodies)[number];
    const unit: Unit = { id: `U${n}`, kind: body.kind, axles: body.axles(), features: {} };
    const days: number[] = [];
    for (let day = random.below(20); day < YEAR; day += 42 + random.below(28)) days.push(day);
    const taken = wornReadings(unit, days, random).flatMap((values, index) =>
      values.map((value) => ({ day: days[index] ?? 0, at: at(days[index] ?? 0), value })),
    );
    return { unit, taken };
  });
}

interface Tried {
  kind: WearingKind;
  error: number;
  naive: number | null;
  held: boolean;
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** One life whose end was hidden: when its last level is reached, as foreseen, as two readings say, and as it was. */
function tried(kind: WearingKind, xy: readonly { x: number; y: number }[]): Tried | null {
  const shown = xy.filter(({ x }) => x <= SHOWN);
  const last = shown.at(-1);
  const hidden = xy.at(-1);
  const span = (last?.x ?? 0) - (shown[0]?.x ?? 0);
  if (!last || !hidden || shown.length < FORECAST.leastReadings || span < FORECAST.leastDays) return null;
  const { step } = FORECAST.kinds[kind];
  const level = hidden.y;
  const whole = slopeOf(xy, FORECAST.within, step);
  const slope = slopeOf(shown, FORECAST.within, step);
  if (hidden.x <= SHOWN || !whole || !slope || whole.slope >= 0 || level >= valueAt(shown, slope.slope, last.x))
    return null;
  // The whole life’s line says when its level was reached: one reading alone is as coarse as its gauge.
  const was = (level - median(xy.map(({ x, y }) => y - whole.slope * x))) / whole.slope;
  const expected = reaches(aheadOf(shown, slope.slope), level);
  const before = shown.at(-2);
  const two = before && last.x > before.x ? (last.y - before.y) / (last.x - before.x) : 0;
  if (expected === null || was <= last.x) return null;
  const earliest = reaches(aheadOf(shown, slope.steep), level) ?? Number.POSITIVE_INFINITY;
  const latest = reaches(aheadOf(shown, slope.gentle), level) ?? Number.POSITIVE_INFINITY;
  return {
    kind,
    error: Math.abs(expected - was),
    naive: two < 0 ? Math.abs(last.x + (level - last.y) / two - was) : null,
    held: earliest <= was && was <= latest,
  };
}

/** How well what was foreseen held, the demo's history hidden after a day; and how long a unit takes. */
export async function benchForecast(): Promise<void> {
  const all = histories();
  const results: Tried[] = [];
  for (const { taken } of all) {
    const byKey = new Map<string, Taken[]>();
    for (const each of taken) {
      const key = readingKey(each.value);
      byKey.set(key, [...(byKey.get(key) ?? []), each]);
    }
    for (const [key, here] of byKey) {
      const { kind, axle, side, tyre } = parseKey(key);
      if (kind !== 'lining' && kind !== 'tread') continue;
      const points = here.flatMap((each) => {
        const worn = wornTo(each.value);
        return worn ? [{ at: each.at, by: '', metres: null, ...worn }] : [];
      });
      for (const { points: life } of livesAt(kind, { axle, side, tyre }, points, [])) {
        const sign = wearsDown(kind) ? 1 : -1;
        const done = tried(
          kind,
          life.map((point) => ({ x: (Date.parse(point.at) - FIRST) / DAY_MS, y: sign * point.nm })),
        );
        if (done) results.push(done);
      }
    }
  }
  for (const kind of ['lining', 'tread'] as const) {
    const own = results.filter((each) => each.kind === kind);
    const naive = own.flatMap((each) => each.naive ?? []);
    say(
      `forecast, ${kind}: ${own.length} lives`,
      `interval held ${round((own.filter(({ held }) => held).length / own.length) * 100, 1)} %, median error ${round(median(own.map(({ error }) => error)), 1)} days; the last two readings alone ${round(median(naive), 1)} days where they say anything (${naive.length} of ${own.length})`,
    );
  }
  const times = all.slice(0, 200).map(({ unit, taken }) => {
    const readings = taken.map(({ at: when, value }) => ({ at: when, by: '', value }));
    const from = performance.now();
    forecastOf({ unit, book: BOOKS.na, zone: 'UTC', readings, fitted: [], meters: [] });
    return performance.now() - from;
  });
  say(
    'forecast, one unit',
    `${round(middle(times), 2)} ms, ${round(all.reduce((n, { taken }) => n + taken.length, 0) / all.length, 0)} readings`,
  );
}

/** The forecast of the large fleet, by the queue's task; and of one unit, as after a reading. */
export async function benchForecastFleet(url: string, database: string): Promise<void> {
  const owner = new pg.Client({ connectionString: database });
  await owner.connect();
  const { rows } = await owner.query('select fleet_id from fleet where slug = $1', [LARGE]);
  const fleet = rows[0].fleet_id as string;
  await owner.query("select set_config('za.fleet', $1, false)", [fleet]);
  await owner.query('delete from forecast_unit');
  const bare = performance.now();
  await owner.query("select count(value), max(taken_at) from reading where split_part(key, '@', 1) <> 'check'");
  const read = performance.now() - bare;
  const headers = await cookieOf(url);
  const ask = async () =>
    (await (await fetch(`${url}/api/v1/forecast`, { headers })).json()) as {
      units: number;
      known: number;
      total: number;
    };
  const from = performance.now();
  let page = await ask();
  while (page.known < page.units) {
    await new Promise((again) => setTimeout(again, 1_000));
    page = await ask();
  }
  const took = performance.now() - from;
  say(
    `forecast, ${page.units} units`,
    `${round(took / 1_000, 1)} s, ${page.total} limits; ${round(took / read, 1)} × reading their rows once (${round(read / 1_000, 1)} s)`,
  );
  const { rows: units } = await owner.query('select id from unit order by id limit 20');
  const times: number[] = [];
  const empty: number[] = [];
  for (const { id } of units) {
    const begun = performance.now();
    await (await fetch(`${url}/api/v1/units/${id}/forecast`, { headers })).json();
    const then = performance.now();
    await (await fetch(`${url}/api/v1/units/${id}/row`, { headers })).json();
    times.push(then - begun);
    empty.push(performance.now() - then);
  }
  say(
    'forecast, one unit anew',
    `${round(middle(times), 0)} ms, ${round(middle(times) / middle(empty), 1)} × its row of the yard`,
  );
  await owner.end();
}
