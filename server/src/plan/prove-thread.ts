import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { runInThisContext } from 'node:vm';
import { parentPort, workerData } from 'node:worker_threads';
import { PROOF_MODEL, type Solution } from '@zealous-axle/core/plan-proof';
import type { ProofAsked, ProofTold } from './prove';

/** What the solver's own worker says. */
type Said =
  | { type: 'ready' }
  | { type: 'solution'; output: { json: Solution } }
  | { type: 'status'; status: string }
  | { type: 'error'; message: string }
  | { type: 'exit'; code: number };

const { figures, way, solver } = workerData as ProofAsked;
const tell = (told: ProofTold) => parentPort?.postMessage(told);
const resolve = createRequire(__filename).resolve;
const script = resolve('minizinc/minizinc-worker.js');
const listeners: ((event: { data: object }) => void)[] = [];
const ask = (data: object) => {
  for (const listener of listeners) listener({ data });
};

const question = {
  jsonStream: true,
  files: {
    'plan.mzn': PROOF_MODEL,
    'shop.json': JSON.stringify(figures),
  },
  args: [
    ...['--solver', 'chuffed', '--all-solutions', '--output-mode', 'json'],
    ...(way === 'free' ? ['--free-search'] : []),
    ...['plan.mzn', 'shop.json'],
  ],
};

let status = 'UNKNOWN';
function hear(said: Said): void {
  if (said.type === 'ready') ask(question);
  if (said.type === 'solution') tell({ solution: said.output.json });
  if (said.type === 'status') status = said.status;
  if (said.type === 'error') tell({ failed: said.message });
  if (said.type === 'exit') tell({ ended: status === 'UNSATISFIABLE' || status === 'OPTIMAL_SOLUTION' });
}

// It would compile its code anew: what all threads share has been made faster by those before.
const { instantiate } = WebAssembly;
WebAssembly.instantiate = (async (source: BufferSource | WebAssembly.Module, imports?: WebAssembly.Imports) =>
  source instanceof WebAssembly.Module
    ? instantiate(source, imports)
    : { module: solver, instance: await instantiate(solver, imports) }) as typeof instantiate;

// The solver is built for a browser's worker: here it is given what it asks of one.
Object.assign(globalThis, {
  require: createRequire(__filename),
  __dirname: dirname(script),
  addEventListener: (_type: string, listener: (event: { data: object }) => void) => listeners.push(listener),
  postMessage: hear,
});
runInThisContext(readFileSync(script, 'utf8'), { filename: script });
ask({ wasmURL: resolve('minizinc/minizinc.wasm'), dataURL: resolve('minizinc/minizinc.data') });
