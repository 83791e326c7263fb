import { chromium } from '@playwright/test';
import { copyDemo, postgres, startProgram } from './cluster';
import { CHROMIUM_ARGS } from './playwright.config';
import * as p from './program';

async function main() {
  process.env.E2E_CLUSTER_URL = process.env.E2E_CLUSTER_URL ?? postgres('start').split('\n').at(-1);
  const db = await copyDemo(`s_${Date.now()}`);
  const program = await startProgram(db);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  try {
    const { default: run } = await import(process.argv[2] as string);
    await run({ browser, program, db, p });
  } catch (e) {
    console.log(String(e).slice(0, 1500));
  } finally {
    await browser.close();
    await program.stop();
  }
}
void main();
