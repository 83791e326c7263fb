import type { Browser, Page } from '@playwright/test';
import type { Board } from '@zealous-axle/core';
import { deviceOf, expect, test } from './program';

interface Moved {
  what: string;
  by: number;
}
declare global {
  interface Window {
    moved: Moved[];
  }
}
/** So tall that nothing of a page is out of sight: what is not seen cannot be seen to move. */
const TALL = { width: 390, height: 4_000 };
const LATER_MS = 40;
const MOST_LATER = 8;

/** Keeps on the page what moved after it was shown, as the browser counts it. A title that is centred anew moves by less. */
const watch = (page: Page) =>
  page.addInitScript(() => {
    window.moved = [];
    interface Shift extends PerformanceEntry {
      hadRecentInput: boolean;
      sources: { node: Node | null; previousRect: DOMRect; currentRect: DOMRect }[];
    }
    new PerformanceObserver((list) => {
      for (const { hadRecentInput, sources } of list.getEntries() as Shift[])
        for (const { node, previousRect, currentRect } of hadRecentInput ? [] : sources) {
          const by = Math.round(currentRect.top - previousRect.top);
          if (node && Math.abs(by) > 20) window.moved.push({ what: (node.textContent ?? '').slice(0, 80), by });
        }
    }).observe({ type: 'layout-shift', buffered: true });
  });

/** Each answer of the server comes later than the one before: the last one finds everything else drawn. */
async function answerSlowly(page: Page): Promise<void> {
  let asked = 0;
  await page.route('**/api/v1/**', (route) => {
    asked += 1;
    setTimeout(() => void route.continue().catch(() => undefined), LATER_MS * Math.min(asked, MOST_LATER));
  });
}

async function movedOn(browser: Browser, url: string, path: string): Promise<Moved[]> {
  const page = await deviceOf(browser, url, 'foreman', { viewport: TALL });
  await watch(page);
  await answerSlowly(page);
  await page.goto(`${url}${path}`);
  await page.waitForLoadState('networkidle');
  const moved = await page.evaluate(() => window.moved);
  await page.context().close();
  return moved;
}

test('what has been shown does not move when another answer comes late', async ({ browser, program }) => {
  const page = await deviceOf(browser, program.url, 'foreman');
  const { jobs }: Board = await page.evaluate(() => fetch('/api/v1/plan').then((answer) => answer.json()));
  const [job] = jobs;
  const found: Record<string, Moved[]> = {};
  for (const path of ['/', `/trailer/${job?.unit}`, `/job/${job?.id}`, '/shop', '/me', '/practice', '/work']) {
    const moved = await movedOn(browser, program.url, path);
    if (moved.length > 0) found[path] = moved;
  }
  expect(found).toEqual({});
});
