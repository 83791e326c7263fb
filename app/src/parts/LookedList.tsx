import { AREA_WORDS, type LookedAt, type UnitPage } from '@zealous-axle/core';
import { View } from 'react-native';
import { dayOf, dueWords } from '../look/dates';
import { Text } from './Text';

interface Line {
  what: string;
  words: string;
  /** Nothing is known of it, or it is over. */
  wrong: boolean;
}

function areaLine({ area, of, read, oldest, by }: LookedAt, zone: string): Line {
  const what = AREA_WORDS[area];
  if (read === 0 || !oldest) return { what, words: 'not checked', wrong: true };
  const when = `${dayOf(oldest, zone)}${by ? `, ${by}` : ''}`;
  return read < of
    ? { what, words: `${read} of ${of}, the oldest ${when}`, wrong: true }
    : { what, words: when, wrong: false };
}

/** The paper that ends first; none is said, too. */
function paperLine(papers: UnitPage['papers'], today: string): Line {
  const [first] = papers;
  if (!first) return { what: 'Papers', words: 'none kept here', wrong: true };
  const over = first.on < today;
  return { what: 'Papers', words: `${first.paper} ${dueWords(today, first.on)}`, wrong: over };
}

/** What of a unit was looked at, when and by whom; what nobody looked at is named. */
export function LookedList({
  unit,
  zone,
  today,
}: {
  unit: Pick<UnitPage, 'looked' | 'walked' | 'papers'>;
  zone: string;
  today: string;
}) {
  const walk: Line = unit.walked
    ? { what: 'Walk-round', words: `${dayOf(unit.walked.at, zone)}, ${unit.walked.by}`, wrong: false }
    : { what: 'Walk-round', words: 'none on record', wrong: true };
  const lines = [...unit.looked.map((each) => areaLine(each, zone)), walk, paperLine(unit.papers, today)];
  return (
    <View role="list" aria-label="What was checked" className="gap-1">
      {lines.map(({ what, words, wrong }) => (
        <View key={what} role="listitem" className="flex-row gap-3">
          <Text size="small" tone="soft" className="w-28">
            {what}
          </Text>
          <Text size="small" bold={wrong} className="min-w-0 flex-1">
            {words}
          </Text>
        </View>
      ))}
    </View>
  );
}
