import v8 from 'node:v8';
import vm from 'node:vm';
import { type Axle, judge, keptJudgeRequestSchema, type Unit, wheelEnds } from '@zealous-axle/core';

v8.setFlagsFromString('--expose-gc');
const collect = vm.runInNewContext('gc') as () => void;

const AXLE: Axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  tyres: 'dual',
  hub: 'oil',
};

const heap = (): number => {
  collect();
  return process.memoryUsage().heapUsed;
};

let asked = 0;
const figure = () => `${(++asked / 1e6).toFixed(6)} in`;

/** A request whose every figure is one nobody asked before: readings and makers' limits alike. */
function strange() {
  const maker = () => ({ lining: { value: figure(), source: 'the manual' } });
  const axles = Array.from({ length: 10 }, () => ({
    ...AXLE,
    ends: { left: { maker: maker() }, right: { maker: maker() } },
  }));
  const unit: Unit = { id: 'T', kind: 'semitrailer', axles };
  const readings = wheelEnds(unit).flatMap(({ axle, side }) => [
    { unit: 'T', kind: 'stroke-applied', axle, side, value: figure() },
    { unit: 'T', kind: 'lining', axle, side, points: [figure(), figure()] },
  ]);
  return keptJudgeRequestSchema.parse({ book: 'na', units: [unit], readings });
}

test('the heap stays flat however many figures are asked', () => {
  const figures = 300_000;
  const ask = (until: number) => {
    while (asked < until) judge(strange());
  };
  ask(figures / 10);
  const before = heap();
  ask(figures + figures / 10);
  expect(heap() - before).toBeLessThan(4_000_000);
});
