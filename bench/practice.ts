import { ROUTES } from '@zealous-axle/core';
import { draw, firstView, makeUp, PRACTICE_ROUTES, sceneOf } from '@zealous-axle/core/practice';
import { medians, round, say } from './figures';

const SEEDS = 200;
const RUNS = 5;

/** Making up trailers, beside parsing one as text; and drawing every station of them. */
export async function benchPractice(): Promise<void> {
  const [brakes] = PRACTICE_ROUTES;
  const full = ROUTES.find(({ id }) => id === 'full');
  if (!brakes || !full) throw new Error('no routes');
  let seed = 0;
  const make = (route: typeof brakes) => () => {
    for (let nth = 0; nth < SEEDS; nth++) makeUp(seed++, 2, route);
  };
  const text = JSON.stringify(makeUp(1, 2, brakes));
  const stations = makeUp(1, 2, full).units.flatMap((unit) => unit.steps.map((step) => sceneOf(unit, step)));
  const took = await medians(RUNS, {
    brakes: make(brakes),
    full: make(full),
    parse: () => {
      for (let nth = 0; nth < SEEDS; nth++) JSON.parse(text);
    },
    draw: () => stations.map((scene) => draw(scene, firstView(false))),
  });
  const aSecond = (ms: number) => Math.round((SEEDS * 1_000) / ms);
  say(
    'the practice yard: made-up trailers',
    `${aSecond(took.brakes)} a second, with a full inspection ${aSecond(took.full)}; ${round(took.brakes / took.parse, 1)} × parsing one as text`,
  );
  const most = Math.max(...stations.map((scene) => draw(scene, firstView(false)).shapes.length));
  say(
    '… drawings',
    `${round(took.draw / stations.length, 3)} ms each on the mean of ${stations.length}, at most ${most} parts`,
  );
}
