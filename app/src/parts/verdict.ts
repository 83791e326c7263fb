import type { Verdict } from '@zealous-axle/core';
import { createContext, useContext } from 'react';

/** How a verdict looks everywhere: its word, its colour, and (in VerdictMark) its shape. */
export const VERDICT_LOOK = {
  'out-of-service': { word: 'Out of service', tone: 'out', box: 'bg-out-tint border-out' },
  violation: { word: 'Violation', tone: 'violation', box: 'bg-violation-tint border-violation' },
  'shop-limit': { word: 'Shop limit', tone: 'shop', box: 'bg-shop-tint border-shop' },
  within: { word: 'Within limits', tone: 'within', box: 'bg-within-tint border-within' },
  'not-judged': { word: 'No verdict', tone: 'open', box: 'bg-open-tint border-open' },
} as const satisfies Record<Verdict, { word: string; tone: string; box: string }>;

/** What the fleet's book calls the verdicts, where it has words of its own. */
export const BookWords = createContext<Partial<Record<Verdict, string>>>({});

/** A verdict's word in the fleet's book. */
export function useVerdictWord(): (verdict: Verdict) => string {
  const own = useContext(BookWords);
  return (verdict) => own[verdict] ?? VERDICT_LOOK[verdict].word;
}
