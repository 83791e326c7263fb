import {
  type Book,
  CHAMBER_TYPES,
  type Chamber,
  chamberWords,
  countBrakes,
  type EndEquipment,
  formatLength,
  judgeReading,
  limitFor,
  type WheelEnd,
} from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { BrakeSum } from '../../parts/BrakeSum';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { MarginRuler } from '../../parts/MarginRuler';
import { Slider } from '../../parts/Slider';
import { Text } from '../../parts/Text';
import { VerdictBadge } from '../../parts/VerdictMark';
import { useShown } from '../../session/rules';

/** The stroke moves in thirty-seconds of an inch, in nanometres. */
const STEP_NM = 793_750;
const MOST_STEPS = 112;
const [LEAST_PSI, MOST_PSI] = [60, 130];
const MOST_BRAKES = 22;

const EQUIPMENT: EndEquipment = { brake: 's-cam', tyres: 'dual', hub: 'oil' };

const TYPE_LABEL: Record<Chamber['type'], string> = {
  clamp: 'Clamp',
  bolt: 'Bolt',
  rotochamber: 'Rotochamber',
  'dual-diaphragm': 'Dual diaphragm',
};
const SHORT_STROKE = { standard: '', long: ' long', 'long-3in': ' long, 3 in' } as const;

const chambersOf = (book: Book): Chamber[] =>
  book.limits.flatMap(({ reading, where, from }) =>
    reading === 'stroke-applied' && where.chamber && !from ? [where.chamber as Chamber] : [],
  );

/** What a stroke would mean: chamber, travel, air and the number of brakes moved by hand. Nothing is stored. */
export function WhatIf({ book }: { book: Book }) {
  const { both } = useShown();
  const chambers = chambersOf(book);
  const [chamber, setChamber] = useState<Chamber | null>(
    chambers.find(({ type, size, stroke }) => type === 'clamp' && size === '30' && stroke === 'standard') ??
      chambers[0] ??
      null,
  );
  const [steps, setSteps] = useState(60);
  const [psi, setPsi] = useState(95);
  const [brakes, setBrakes] = useState(10);
  if (!chamber)
    return (
      <Card title="What if">
        <Text tone="soft">This book has no figure for a stroke: the maker’s decides.</Text>
      </Card>
    );
  const nm = steps * STEP_NM;
  const end: WheelEnd = {
    ...EQUIPMENT,
    chamber,
    unit: '',
    kind: 'semitrailer',
    axle: 1,
    side: 'left',
    steer: false,
    lift: false,
  };
  const value = formatLength(nm, 'fraction');
  const found = judgeReading(book, end, {
    kind: 'stroke-applied',
    axle: 1,
    side: 'left',
    value,
    reservoir: `${psi} psi`,
  });
  const limit = limitFor(book, 'stroke-applied', end);
  const count = countBrakes(
    book,
    [{ share: found.share, measured: found.verdict !== 'not-judged', open: false }],
    brakes - 1,
  );
  return (
    <Card title="What if" note="Move the figures: nothing here is stored.">
      <Choice
        label="Chamber"
        options={CHAMBER_TYPES.filter((type) => chambers.some((each) => each.type === type)).map((type) => ({
          value: type,
          label: TYPE_LABEL[type],
        }))}
        value={chamber.type}
        onChange={(type) => setChamber(chambers.find((each) => each.type === type) ?? chamber)}
      />
      <View role="radiogroup" aria-label="Size" className="flex-row flex-wrap gap-2">
        {chambers
          .filter(({ type }) => type === chamber.type)
          .map((each) => {
            const words = chamberWords(each);
            const here = words === chamberWords(chamber);
            return (
              <Pressable
                key={words}
                role="radio"
                aria-checked={here}
                aria-label={words}
                onPress={() => setChamber(each)}
                className={`min-h-11 min-w-14 items-center justify-center rounded-xl border-2 px-3 ${here ? 'border-act bg-act' : 'border-edge bg-card'}`}
              >
                <Text bold={here} tone={here ? 'on-act' : 'ink'}>
                  {`${each.size}${SHORT_STROKE[each.stroke ?? 'standard']}`}
                </Text>
              </Pressable>
            );
          })}
      </View>
      <Slider
        label="Stroke"
        shown={both(value)}
        value={steps}
        least={0}
        most={MOST_STEPS}
        step={1}
        onChange={setSteps}
      />
      <Slider
        label="Reservoir"
        shown={both(`${psi} psi`)}
        value={psi}
        least={LEAST_PSI}
        most={MOST_PSI}
        step={1}
        onChange={setPsi}
      />
      <Slider
        label="Brakes in the combination, all others good"
        shown={String(brakes)}
        value={brakes}
        least={2}
        most={MOST_BRAKES}
        step={2}
        onChange={setBrakes}
      />
      {limit ? <MarginRuler limit={limit} nm={nm} verdict={found.verdict} /> : null}
      <View className="flex-row flex-wrap items-center gap-3">
        <VerdictBadge verdict={found.verdict} />
        <View className="min-w-0 flex-1">
          <Text>{found.because}</Text>
        </View>
      </View>
      <BrakeSum count={count} />
    </Card>
  );
}
