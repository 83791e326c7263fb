import {
  JUDGES_WORDS,
  LIMITED_WORDS,
  type Limit,
  type Limited,
  limitWords,
  sourceWords,
  whereWords,
} from '@zealous-axle/core';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import ChevronUp from 'lucide-react-native/icons/chevron-up';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { usePalette } from '../../look/theme';
import { useWide } from '../../look/wide';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { type Column, Table } from '../../parts/Table';
import { Text } from '../../parts/Text';
import { useShown } from '../../session/rules';

type Tighten = ((limit: Limit) => void) | null;

const alsoSaid = ({ judges, note }: Limit): string => [JUDGES_WORDS[judges], note].filter(Boolean).join('. ');
const ofBook = ({ judges, from }: Limit): boolean => judges === 'verdict' && !from;

function Source({ limit }: { limit: Limit }) {
  return (
    <Text size="small" tone={limit.sure === 'check' ? 'violation' : 'soft'}>
      {sourceWords(limit.source, limit.sure)}
    </Text>
  );
}

function TightenButton({ limit, onTighten }: { limit: Limit; onTighten: Tighten }) {
  if (!onTighten || !ofBook(limit)) return null;
  return <Button look="bare" label="Tighten" hint={whereWords(limit)} onPress={() => onTighten(limit)} />;
}

function Line({ limit, onTighten }: { limit: Limit; onTighten: Tighten }) {
  const { both } = useShown();
  const also = alsoSaid(limit);
  return (
    <View className={`gap-0.5 border-t border-line py-2 ${limit.from ? 'bg-shop-tint' : ''}`}>
      <View className="flex-row items-baseline justify-between gap-3">
        <Text className="min-w-0 flex-1">{whereWords(limit)}</Text>
        <Text bold className="max-w-[60%] text-right">
          {limitWords(limit, both)}
        </Text>
      </View>
      {also ? <Text size="small">{also}</Text> : null}
      <View className="flex-row items-center justify-between gap-3">
        <View className="min-w-0 flex-1">
          <Source limit={limit} />
        </View>
        <TightenButton limit={limit} onTighten={onTighten} />
      </View>
    </View>
  );
}

function useColumns(onTighten: Tighten): Column<Limit>[] {
  const { both } = useShown();
  return [
    {
      id: 'where',
      heading: 'Applies to',
      share: 5,
      by: whereWords,
      cell: (limit) => (
        <>
          <Text>{whereWords(limit)}</Text>
          {alsoSaid(limit) ? <Text size="small">{alsoSaid(limit)}</Text> : null}
        </>
      ),
    },
    {
      id: 'limit',
      heading: 'Limit',
      share: 5,
      cell: (limit) => <Text bold>{limitWords(limit, both)}</Text>,
    },
    {
      id: 'source',
      heading: 'Source',
      share: 4,
      by: ({ source }) => source,
      cell: (limit) => <Source limit={limit} />,
    },
    {
      id: 'tighten',
      heading: '',
      share: 2,
      cell: (limit) => <TightenButton limit={limit} onTighten={onTighten} />,
    },
  ];
}

function Limits({ reading, limits, onTighten }: { reading: Limited; limits: readonly Limit[]; onTighten: Tighten }) {
  const wide = useWide();
  const columns = useColumns(onTighten);
  if (!wide) return limits.map((limit) => <Line key={limit.id} limit={limit} onTighten={onTighten} />);
  return (
    <Table
      label={LIMITED_WORDS[reading]}
      columns={onTighten && limits.some(ofBook) ? columns : columns.slice(0, -1)}
      rows={limits}
      idOf={({ id }) => id}
      rowLook={({ from }) => (from ? 'bg-shop-tint' : '')}
    />
  );
}

/** The limits of one kind of reading: closed to its heading until it is opened, or something in it was searched for. */
export function LimitGroup({
  reading,
  limits,
  found,
  onTighten,
}: {
  reading: Limited;
  limits: readonly Limit[];
  found: boolean;
  onTighten: Tighten;
}) {
  const [chosen, setChosen] = useState(false);
  const palette = usePalette();
  const open = chosen || found;
  const Mark = open ? ChevronUp : ChevronDown;
  return (
    <Card>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`${LIMITED_WORDS[reading]}, ${limits.length}`}
        onPress={() => setChosen(!chosen)}
        className="min-h-11 flex-row items-center justify-between gap-3"
      >
        <Text level={2} size="lead" bold className="min-w-0 flex-1">
          {LIMITED_WORDS[reading]}
        </Text>
        <Text tone="soft">{limits.length}</Text>
        <Mark size={24} color={palette.soft} aria-hidden />
      </Pressable>
      {open ? <Limits reading={reading} limits={limits} onTighten={onTighten} /> : null}
    </Card>
  );
}
