import { findingWords, findPatterns, type Reading, readingKey, readingText, type Suggestion } from '@zealous-axle/core';
import { View } from 'react-native';
import { dayOf } from '../../../look/dates';
import { Card } from '../../../parts/Card';
import { Text } from '../../../parts/Text';
import { useBook, useShown } from '../../../session/rules';
import { useSession } from '../../../session/session';
import type { Judged } from './useJudged';

function evidenceWords(reading: Reading, shown: (text: string) => string): string {
  const [kind = '', place = ''] = readingKey(reading).split('@');
  const wear = reading.kind === 'tread' && reading.wear ? `, ${reading.wear.join(', ').replaceAll('-', ' ')}` : '';
  return `${place} ${findingWords({ kind })} ${shown(readingText(reading))}${wear}`;
}

function Row({ suggestion: { pattern, place, evidence, before } }: { suggestion: Suggestion }) {
  const { fleet } = useSession();
  const { shown } = useShown();
  const [first] = before;
  return (
    <View className="gap-1 border-t border-line py-3">
      <Text bold>{`${place}: ${pattern.suggests}`}</Text>
      <Text>{pattern.next}</Text>
      <Text
        size="small"
        tone="soft"
      >{`Because: ${evidence.map((each) => evidenceWords(each, shown)).join(', ')}`}</Text>
      {first ? (
        <Text size="small" tone="soft">
          {`Before, on ${dayOf(first.at, fleet.zone)}: ${before.map(({ value }) => evidenceWords(value, shown)).join(', ')}`}
        </Text>
      ) : null}
    </View>
  );
}

/** What the readings suggest when taken together, each with the readings it rests on. Never a verdict. */
export function Suggestions({ judged }: { judged: Judged }) {
  const book = useBook();
  const found = findPatterns(book, judged.unit, judged.taken, judged.before);
  if (found.length === 0) return null;
  return (
    <Card title="What this suggests" note="Shop practice: a place to look, not a verdict.">
      {found.map((suggestion) => (
        <Row key={`${suggestion.pattern.id} ${suggestion.place}`} suggestion={suggestion} />
      ))}
    </Card>
  );
}
