import type { Book } from '../limits';
import type { ReadingOf } from '../reading';
import { listed, type Said, said } from '../said';
import { type Opinion, opinion } from './opinion';

/** The longest run of positions side by side on a wheel, the last beside the first. */
export function longestRun(positions: readonly number[], holes: number): number {
  const gone = new Set(positions);
  if (gone.size >= holes) return holes;
  const starts = [...gone].filter((at) => !gone.has(at === 1 ? holes : at - 1));
  const runFrom = (at: number): number => (gone.has(at) ? 1 + runFrom((at % holes) + 1) : 0);
  return Math.max(0, ...starts.map(runFrom));
}

const list = (positions: readonly number[]) => [...positions].sort((a, b) => a - b).join(', ');

function outOfService({ wheels }: Book, holes: number, gone: readonly number[]): Said | null {
  const rule = wheels.outOfService.find(
    ({ holes: { atMost, atLeast } }) =>
      (atMost === undefined || holes <= atMost) && (atLeast === undefined || holes >= atLeast),
  );
  if (!rule) return null;
  const run = longestRun(gone, holes);
  if (rule.adjacent && run >= rule.adjacent) return said('side-by-side', { run });
  return gone.length >= rule.anywhere ? said('or-more-of', { least: rule.anywhere, holes }) : null;
}

/** Judges a wheel's fasteners by stud position: each loose or missing one fails, adjacency decides more. Source: 49 CFR 393.205. */
export function judgeWheelNuts(book: Book, reading: ReadingOf<'wheel-nuts'>): Opinion {
  const { holes, loose = [], missing = [], rust = [] } = reading;
  const { wheels } = book;
  const gone = [...new Set([...loose, ...missing])].filter((at) => at <= holes);
  const parts = [
    ...(missing.length ? [`missing at ${list(missing)}`] : []),
    ...(loose.length ? [`loose at ${list(loose)}`] : []),
    ...(rust.length ? [`rust trail at ${list(rust)}`] : []),
  ];
  const measured = parts.join('; ') || `all ${holes} tight`;
  const each = listed(
    [
      ...(missing.length ? [said('missing-at', { at: list(missing) })] : []),
      ...(loose.length ? [said('loose-at', { at: list(loose) })] : []),
      ...(rust.length ? [said('rust-at', { at: list(rust) })] : []),
    ],
    'semicolon',
  );
  if (gone.length) {
    const out = outOfService(book, holes, gone);
    return opinion({
      measured,
      verdict: out ? 'out-of-service' : 'violation',
      rule: out ? wheels.outOfServiceSource : wheels.source,
      sure: wheels.sure,
      said: [said('fasteners', { gone: gone.length, holes, out: out ?? 'none', parts: each })],
    });
  }
  if (rust.length)
    return opinion({
      measured,
      verdict: 'shop-limit',
      rule: wheels.rustSource,
      sure: 'practice',
      said: [said('rust-trail', { at: list(rust) })],
    });
  return opinion({
    measured,
    verdict: 'within',
    rule: wheels.source,
    sure: wheels.sure,
    said: [said('all-tight', { holes })],
  });
}
