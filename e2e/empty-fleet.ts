import { randomBytes } from 'node:crypto';
import type { Page } from '@playwright/test';
import { emptyDatabase, startProgram } from './cluster';
import { expect, press } from './program';

const OWN = {
  ZA_DEMO: '0',
  ZA_FLEET: 'Upper Fold Haulage',
  ZA_FLEET_SLUG: 'upperfold',
  ZA_ZONE: 'Europe/London',
  ZA_BOOK: 'na',
  ZA_UNITS: 'inch',
  ZA_MANAGER: 'Orla Penhaligon',
};
export const PASSWORD = 'a password of my own';

/** The program of a fleet that has nothing yet but its founder. */
export const startEmpty = async () =>
  startProgram(await emptyDatabase(`own_${randomBytes(8).toString('hex')}`), 0, OWN);

/** Comes in by the address the program printed. */
export async function comeIn(page: Page, said: string): Promise<void> {
  await page.goto(/(http\S+code=\S+)/.exec(said)?.[1] ?? '');
  await page.getByLabel(/^Your own password/).fill(PASSWORD);
  await press(page, 'Sign in');
  await expect(page.getByText('No units yet.')).toBeVisible();
}

/** Counts what is tapped from here on, through reloads too. */
export async function countTaps(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    const counting = window as unknown as { taps: number };
    counting.taps = Number(sessionStorage.getItem('taps') ?? 0);
    addEventListener('click', () => sessionStorage.setItem('taps', String(++counting.taps)), true);
  });
  return () => page.evaluate(() => Number(sessionStorage.getItem('taps')));
}
