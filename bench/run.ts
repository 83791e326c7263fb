// Measures the program against a baseline in the same run, and prints one line each. Nothing here fails a build.
//   npm run bench              everything
//   npm run bench -- pages     only what is named: judge, pages …
import { startProgram } from '../e2e/cluster';
import { benchWarm, benchYard } from './app';
import { benchBoard } from './board';
import { benchChain } from './chain';
import { largeCluster } from './cluster';
import { benchCopies } from './copies';
import { benchEnding } from './ending';
import { benchExport } from './export';
import { benchFiles } from './files';
import { benchForecast, benchForecastFleet } from './forecast';
import { benchJudge } from './judge';
import { benchCold } from './lighthouse';
import { benchTwo, benchWrites } from './load';
import { benchOutage } from './outage';
import { benchDigit } from './pad';
import { benchPages } from './pages';
import { benchPlan } from './plan';
import { benchPractice } from './practice';
import { benchProven } from './proven';
import { benchTriage } from './triage';

/** What is measured, by name: alone, or on the built server over the large fleet. */
const ALONE: Record<string, () => Promise<void>> = {
  judge: benchJudge,
  plan: benchPlan,
  proven: benchProven,
  practice: benchPractice,
  forecast: benchForecast,
  board: benchBoard,
  outage: benchOutage,
};
const SERVED: Record<string, (url: string, database: string) => Promise<void>> = {
  pages: benchPages,
  triage: benchTriage,
  chain: benchChain,
  files: benchFiles,
  ending: benchEnding,
  copies: benchCopies,
  writes: benchWrites,
  two: benchTwo,
  yard: benchYard,
  warm: benchWarm,
  cold: benchCold,
  pad: benchDigit,
  export: benchExport,
  'forecast-fleet': benchForecastFleet,
};

async function main(): Promise<void> {
  const asked = process.argv.slice(2);
  const wanted = ([name]: [string, unknown]) => asked.length === 0 || asked.includes(name);
  for (const [, bench] of Object.entries(ALONE).filter(wanted)) await bench();
  const served = Object.entries(SERVED).filter(wanted);
  if (served.length === 0) return;
  const cluster = await largeCluster();
  const program = await startProgram(cluster.url);
  try {
    for (const [, bench] of served) await bench(program.url, cluster.url);
  } finally {
    await program.stop();
    cluster.stop();
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
