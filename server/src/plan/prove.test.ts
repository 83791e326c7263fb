import { mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkPlan, type Planned, type PlanRequest, plan, sumOf } from '@zealous-axle/core/plan';
import { buildSync } from 'esbuild';
import { madeUpShop } from '../../../core/src/plan/solver/made-up';
import optima from '../../../core/src/plan/solver/optima.json';
import { isProven, openProver, type Prover, waysFor } from './prove';
import { provingPlanner } from './proving-planner';
import settings from './settings.json';

/** Longer than any proof here takes, on a machine with other work too. */
const LONG_MS = 240_000;
jest.setTimeout(LONG_MS + 40_000);
const never = new AbortController().signal;
const complaints: string[] = [];
let prover: Prover;
let folder: string;

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'prove-'));
  symlinkSync(join(__dirname, '../../../node_modules'), join(folder, 'node_modules'));
  const file = join(folder, 'prove-thread.js');
  buildSync({
    entryPoints: [join(__dirname, 'prove-thread.ts')],
    outfile: file,
    bundle: true,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
  });
  const opened = openProver(file, (message) => complaints.push(message));
  if (!opened) throw new Error('the solver is not installed');
  prover = opened;
});
afterAll(() => rmSync(folder, { recursive: true }));
afterEach(() => expect(complaints).toEqual([]));

const known = optima.shops.find(({ jobs }) => jobs === 8);
const shop = madeUpShop({ seed: known?.seed ?? 0, jobs: known?.jobs ?? 0, hard: known?.hard ?? false });
/** The first plan that comes to mind, before any search. */
const poor = (request: PlanRequest): Planned => plan(request, { steps: 1, proof: false });

test('from a poor plan the proof comes to the optimum that stands written down, by a plan the checker passes', async () => {
  const better: number[] = [];
  const proven = await prover(shop, poor(shop), LONG_MS, never, ({ objective }) => better.push(sumOf(objective)));
  expect(sumOf(proven.objective)).toBe(known?.sum);
  expect(isProven(proven, shop)).toBe(true);
  expect(checkPlan(shop, proven)).toEqual([]);
  expect(better.at(-1) ?? known?.sum).toBe(known?.sum);
});

test('of the optimum itself it is proven that nothing is better, and the plan stays the one it was', async () => {
  const found = plan(shop, { steps: 20_000, proof: false });
  expect(sumOf(found.objective)).toBe(known?.sum);
  const proven = await prover(shop, found, LONG_MS, never);
  expect(proven.slots).toEqual(found.slots);
  expect(isProven(proven, shop)).toBe(true);
});

test('a proof that is canceled, or has no time, leaves what was found and proves nothing', async () => {
  const found = poor(shop);
  expect(await prover(shop, found, 0, never)).toMatchObject({ slots: found.slots, boundSum: 0 });
  expect(await prover(shop, found, LONG_MS, AbortSignal.abort())).toMatchObject({ slots: found.slots, boundSum: 0 });
});

test('either way alone proves a small shop; both are gone only where that pays', async () => {
  for (const way of ['free', 'led'] as const) {
    const proven = await prover(shop, poor(shop), LONG_MS, never, undefined, [way]);
    expect([way, sumOf(proven.objective), isProven(proven, shop)]).toEqual([way, known?.sum, true]);
  }
  expect([12, 13, 30, 31].map((jobs) => waysFor(jobs).length)).toEqual([1, 2, 2, 1]);
});

test('a thread that fails is told of, proves nothing, and leaves what was found', async () => {
  const file = join(folder, 'broken.js');
  writeFileSync(file, 'throw new Error("no memory left")');
  const heard: string[] = [];
  const found = poor(shop);
  const told = await openProver(file, (message) => heard.push(message))?.(shop, found, LONG_MS, never);
  expect(told).toMatchObject({ slots: found.slots, boundSum: 0 });
  expect(heard).toEqual(['Error: no memory left']);
});

test('the planner proves what it has time to prove, and ends as soon as it has; a short search stays a search', async () => {
  const asked: { ms: number; seeds: number | undefined }[] = [];
  const planner = provingPlanner(
    {
      plan: async (request, _signal, from = {}) => {
        asked.push({ ms: request.timeLimitMs, seeds: from.seeds });
        return from.from ? { ...poor(request), slots: [...from.from] } : poor(request);
      },
      close: async () => undefined,
    },
    prover,
  );
  const { firstShare } = settings.proof;
  const long = { ...shop, timeLimitMs: LONG_MS };
  const proven = await planner.plan(long, never);
  expect(sumOf(proven.objective)).toBe(known?.sum);
  expect(isProven(proven, long)).toBe(true);
  expect(asked).toEqual([
    { ms: LONG_MS * firstShare, seeds: undefined },
    { ms: expect.any(Number), seeds: 1 },
  ]);
  asked.length = 0;
  const short = await planner.plan({ ...shop, timeLimitMs: 1_000 }, never);
  expect(isProven(short, shop)).toBe(false);
  expect(asked).toEqual([{ ms: 1_000, seeds: undefined }]);
  asked.length = 0;
  const large = madeUpShop({ seed: 1, jobs: 61 });
  await planner.plan({ ...large, timeLimitMs: LONG_MS }, never);
  // What cannot be proven is searched whole, by every thread there is.
  expect(asked).toEqual([{ ms: LONG_MS, seeds: undefined }]);
});

test('while two plans are being proven others are only searched, and afterwards they are proven again', async () => {
  let proofs = 0;
  let free: () => void = () => undefined;
  const held = new Promise<void>((resolve) => {
    free = resolve;
  });
  const planner = provingPlanner(
    { plan: async (request) => poor(request), close: async () => undefined },
    async (_request, found) => {
      proofs++;
      await held;
      return found;
    },
  );
  const long = { ...shop, timeLimitMs: LONG_MS };
  const both = [planner.plan(long, never), planner.plan(long, never)];
  expect(await planner.plan(long, never)).toMatchObject({ slots: poor(long).slots });
  free();
  await Promise.all(both);
  expect(proofs).toBe(settings.proof.atOnce);
  await planner.plan(long, never);
  expect(proofs).toBe(settings.proof.atOnce + 1);
});
