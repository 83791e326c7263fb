import { isPowerUnit, type YardRow } from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { useYard } from '../server/yard';
import { useSession } from '../session/session';
import { Button } from './Button';
import { Drawer } from './Drawer';
import { Search } from './Search';
import { Text } from './Text';
import { VerdictBadge } from './VerdictMark';

interface Props {
  title: string;
  /** Units that cannot be chosen. */
  taken: readonly string[];
  /** Which may be chosen; every one unless said. */
  fits?: (row: YardRow) => boolean;
  onChoose: (row: YardRow) => void;
  onClose: () => void;
}

/** Chooses a unit by its number; without a signal among those this device has seen. */
export function ChooseUnit({ title, taken, fits = () => true, onChoose, onClose }: Props) {
  const { fleet } = useSession();
  const [text, setText] = useState('');
  const { data, hasNextPage, fetchNextPage } = useYard(text.trim() ? { text: text.trim() } : {}, 'number', fleet.zone);
  const rows = (data?.pages.flatMap(({ units }) => units) ?? []).filter((row) => !taken.includes(row.id) && fits(row));
  return (
    <Drawer title={title} onClose={onClose}>
      <Search hint="Search by number or kind" text={text} onChange={setText} />
      {data && rows.length === 0 ? <Text tone="soft">No other unit fits.</Text> : null}
      {[...rows]
        .sort((a, b) => Number(isPowerUnit(b.kind)) - Number(isPowerUnit(a.kind)) || a.number.localeCompare(b.number))
        .map((row) => (
          <Pressable
            key={row.id}
            role="button"
            aria-label={`${row.number}, ${row.body}`}
            onPress={() => onChoose(row)}
            className="min-h-14 flex-row items-center justify-between gap-3 rounded-xl border-2 border-edge bg-card px-4"
          >
            <Text>
              <Text bold>{row.number}</Text>
              {`  ${row.body}`}
            </Text>
            {row.held ? <VerdictBadge verdict="out-of-service" word="Held" /> : null}
          </Pressable>
        ))}
      {hasNextPage ? <Button label="Show more" onPress={() => void fetchNextPage()} /> : null}
    </Drawer>
  );
}
