import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS } from '../e2e/playwright.config';
import { begin, press, stepTo } from '../e2e/program';
import { LARGE } from './cluster';
import { round, say } from './figures';

/** Steps whose pads differ. */
const PADS = ['2L Applied stroke', '2L Lining', '2L-out Tread', '2L Drum diameter'];

/** A digit on the pads, CPU four times slowed: from the press to the frame that shows it, against an empty frame. */
export async function benchDigit(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: CHROMIUM_ARGS });
  const page = await browser.newPage({ viewport: { width: 390, height: 844 }, serviceWorkers: 'block' });
  await page.goto(url);
  await page.getByLabel('Name').fill(`technician@${LARGE}`);
  await page.getByLabel('Password').fill('walk-round');
  await press(page, 'Sign in');
  await page.getByLabel('Search').fill('L-10');
  await page.getByRole('link', { name: /^L-10/ }).first().click();
  await begin(page, 'Full inspection');
  await stepTo(page, '2L Applied stroke');
  await press(page, '95 psi');
  const client = await page.context().newCDPSession(page);
  for (const pad of PADS) {
    await stepTo(page, pad);
    await client.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    // A function of its own text: what the bundler adds to named functions does not exist in the page.
    const took: { empty: number; digit: number; repainted: number } = await page.evaluate(`(async () => {
      // The first task after a frame was drawn.
      const after = new MessageChannel();
      const frame = () =>
        new Promise((done) => {
          after.port1.onmessage = () => done(performance.now());
          requestAnimationFrame(() => after.port2.postMessage(null));
        });
      const middle = (times) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
      const shown = () => document.getElementById('pad')?.textContent;
      const press = (key) => window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      const [empty, digit] = [[], []];
      let repainted = 0;
      for (let run = 0; run < 40; run++) {
        const idle = performance.now();
        empty.push((await frame()) - idle);
        const [before, from] = [shown(), performance.now()];
        press(run % 2 ? 'Backspace' : '7');
        digit.push((await frame()) - from);
        if (shown() !== before) repainted++;
      }
      return { empty: middle(empty), digit: middle(digit), repainted };
    })()`);
    say(
      `a digit, CPU ÷ 4: ${pad}`,
      `${round(took.digit, 1)} ms to the frame that shows it (${took.repainted} of 40 in the first frame); an empty frame ${round(took.empty, 1)} ms`,
    );
    await client.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  }
  await browser.close();
}
