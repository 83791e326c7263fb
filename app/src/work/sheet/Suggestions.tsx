import { BOOKS, findPatterns, MEASURED_WORDS, type Reading, readingKey, type Suggestion } from '@zealous-axle/core';
import { View } from 'react-native';
import { shortReading } from '../../data/draft';
import { useSession } from '../../data/session';
import { Card } from '../../parts/Card';
import { T } from '../../parts/T';
import type { Judged } from './useJudged';

const KIND_WORDS: Record<string, string> = { ...MEASURED_WORDS, 'stroke-free': 'Free stroke' };
const evidenceWords = (reading: Reading): string =>
  `${readingKey(reading)?.split('@')[1] ?? ''} ${KIND_WORDS[reading.kind] ?? reading.kind} ${shortReading(reading)}`;

function Row({ suggestion: { pattern, place, evidence } }: { suggestion: Suggestion }) {
  return (
    <View className="gap-1 border-t border-line py-3">
      <T bold>{`${place}: ${pattern.suggests}`}</T>
      <T>{pattern.next}</T>
      <T size="small" tone="soft">{`Because: ${evidence.map(evidenceWords).join(', ')}`}</T>
    </View>
  );
}

/** What the readings suggest when taken together, each with the readings it rests on. Never a verdict. */
export function Suggestions({ judged }: { judged: Judged }) {
  const { fleet } = useSession();
  const readings = judged.readings.flatMap(({ value }) => value ?? []);
  const found = findPatterns(BOOKS[fleet.book], judged.unit, readings);
  if (found.length === 0) return null;
  return (
    <Card title="What this suggests" note="Workshop practice: a place to look, not a verdict.">
      {found.map((suggestion) => (
        <Row key={`${suggestion.pattern.id} ${suggestion.place}`} suggestion={suggestion} />
      ))}
    </Card>
  );
}
