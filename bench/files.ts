import { setTimeout as delay } from 'node:timers/promises';
import { cookieOf, LARGE } from './cluster';
import { middle, round, say } from './figures';

const SAMPLES = 40;
const COMMAS = 1_400_000;
const PAPERS = 30;
const LINES = 10_000;

type Headers = Record<string, string>;

/** How long others wait for a trailer's page, one question after another. */
async function others(url: string, headers: Headers, unit: string, going: () => boolean): Promise<number[]> {
  const took: number[] = [];
  while (took.length < SAMPLES || going()) {
    const from = performance.now();
    await (await fetch(`${url}/api/v1/units/${unit}`, { headers })).arrayBuffer();
    took.push(performance.now() - from);
    await delay(10);
  }
  return took;
}

const preview = (url: string, headers: Headers, csv: string) =>
  fetch(`${url}/api/v1/readings.csv/preview`, {
    method: 'POST',
    headers: { ...headers, 'content-type': 'application/json' },
    body: JSON.stringify({ csv }),
  });

/** What others wait while one reads a file of nothing but commas, or has thirty papers drawn; and how long a file of readings takes. */
export async function benchFiles(url: string): Promise<void> {
  const [headers, asker] = [await cookieOf(url, 'driver'), await cookieOf(url, 'foreman')];
  const { units } = (await (await fetch(`${url}/api/v1/units`, { headers })).json()) as {
    units: { id: string; number: string }[];
  };
  const [{ id: unit, number } = { id: '', number: '' }] = units;
  await others(url, headers, unit, () => false);
  const quiet = middle(await others(url, headers, unit, () => false));
  const beside = async (what: string, work: () => Promise<unknown>): Promise<void> => {
    let going = true;
    const done = work().finally(() => {
      going = false;
    });
    const took = await others(url, headers, unit, () => going);
    await done;
    say(
      `others, ${what}`,
      `${round(middle(took), 1)} ms; quiet ${round(quiet, 1)} ms: ${round(middle(took) / quiet)} ×, the longest ${round(Math.max(...took))} ms`,
    );
  };
  await beside('beside 1.4 million commas', () => preview(url, asker, `a${','.repeat(COMMAS)}`));
  const { inspections } = (await (await fetch(`${url}/api/v1/units/${unit}`, { headers: asker })).json()) as {
    inspections: { id: string }[];
  };
  const paper = `${url}/api/v1/inspections/${inspections[0]?.id}/inspection.pdf`;
  await beside('beside thirty papers', () =>
    Promise.all(
      Array.from({ length: PAPERS }, async () => {
        const answer = await fetch(paper, { headers: asker });
        if (!answer.ok && answer.status !== 503) throw new Error(`no paper: ${answer.status}`);
        await answer.arrayBuffer();
      }),
    ),
  );
  const line = `${number},2026-01-01T00:00:00Z,A technician,lining,,1,left,,1/2 in,`;
  const head = 'unit,taken,by,kind,item,axle,side,tyre,value,detail';
  const from = performance.now();
  const answer = await preview(url, asker, [head, ...Array.from({ length: LINES }, () => line)].join('\n'));
  await answer.arrayBuffer();
  say(
    `${LINES} lines of readings (${LARGE})`,
    `answered ${answer.status} in ${round((performance.now() - from) / 1000)} s`,
  );
}
