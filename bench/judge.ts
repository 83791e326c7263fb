import { join } from 'node:path';
import { expectedReadings, type MeasuredStep, type Reading, type Unit } from '@zealous-axle/core';
import { buildSync } from 'esbuild';
import { inLoops, round, say } from './figures';

const axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'long' },
  tyres: 'dual',
  hub: 'oil',
} as const;
const RUNS = 2_000;
const unit: Unit = { id: 'T', kind: 'semitrailer', axles: [axle, axle, axle] };

function reading({ kind, axle: at, side, tyre }: MeasuredStep): Reading {
  switch (kind) {
    case 'stroke-applied':
      return { kind, axle: at, side, value: '2 1/8 in', reservoir: '95 psi' };
    case 'lining':
      return { kind, axle: at, side, points: ['3/8 in', '7/16 in'] };
    case 'tread':
      return {
        kind,
        axle: at,
        side,
        tyre: tyre ?? 'single',
        grooves: [
          ['6/32', '5/32', '6/32'],
          ['6/32', '5/32', '7/32'],
          ['5/32', '5/32', '6/32'],
        ],
      };
    case 'hub-oil':
      return { kind, axle: at, side, level: 'between', condition: 'clear', leak: 'none' };
  }
}

/** The core as the server is built with it: what runs this file keeps every function's name, which costs more than the judging. */
function builtCore(): typeof import('@zealous-axle/core') {
  const outfile = join(__dirname, '../.cache/core.cjs');
  const entry = join(__dirname, '../core/src/index.ts');
  buildSync({ entryPoints: [entry], bundle: true, platform: 'node', format: 'cjs', outfile, logLevel: 'warning' });
  return require(outfile);
}

/** Judging three axles, beside reading the request as JSON. */
export async function benchJudge(): Promise<void> {
  const { judge, judgeRequestSchema } = builtCore();
  const request = {
    book: 'na' as const,
    units: [unit],
    readings: expectedReadings(unit).map((step) => ({ ...reading(step), unit: 'T' })),
  };
  const text = JSON.stringify(request);
  const requests = Array.from({ length: RUNS }, () => JSON.parse(text));
  let next = 0;
  const work = {
    baseline: () => JSON.parse(text),
    checked: () => judgeRequestSchema.parse(JSON.parse(text)),
    judged: () => judge(requests[next++ % RUNS]),
  };
  const { baseline, checked, judged } = inLoops(RUNS, work);
  say(
    'judge(), three axles, 30 readings',
    `${Math.round(1000 / judged)} a second; ${round(judged / baseline, 1)} × JSON.parse of its request`,
  );
  say('its request checked', `${round(checked / baseline, 1)} × JSON.parse`);
}
