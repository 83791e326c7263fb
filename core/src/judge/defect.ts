import { catalogueEntry } from '../defects';
import type { ReadingOf } from '../wire';
import { notJudged, type Opinion, opinion } from './opinion';

/** Judges a defect found by eye, as the catalogue has it. */
export function judgeDefect(reading: ReadingOf<'defect'>): Opinion {
  const entry = catalogueEntry(reading.code);
  if (!entry) return notJudged(`The catalogue has no “${reading.code}”.`, { measured: reading.code });
  const { verdict, share, rule, sure } = entry;
  const counts = share ? ' Counts as one defective brake.' : '';
  return opinion({ measured: reading.code, verdict, share, rule, sure, because: `${entry.words}.${counts}` });
}
