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
import { Because } from '../../parts/Because';
import { BrakeSum } from '../../parts/BrakeSum';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { MarginRuler } from '../../parts/MarginRuler';
import { RadioGroup } from '../../parts/RadioGroup';
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

/** One of the book's chambers: its type, then its size. */
function Chambers({
  chambers,
  chosen,
  onChoose,
}: {
  chambers: readonly Chamber[];
  chosen: Chamber;
  onChoose: (chamber: Chamber) => void;
}) {
  const types = CHAMBER_TYPES.filter((type) => chambers.some((each) => each.type === type));
  return (
    <>
      <Choice
        label="Chamber"
        options={types.map((type) => ({ value: type, label: TYPE_LABEL[type] }))}
        value={chosen.type}
        onChange={(type) => onChoose(chambers.find((each) => each.type === type) ?? chosen)}
      />
      <RadioGroup label="Size" className="flex-row flex-wrap gap-2">
        {chambers
          .filter(({ type }) => type === chosen.type)
          .map((each) => {
            const words = chamberWords(each);
            const here = words === chamberWords(chosen);
            return (
              <Pressable
                key={words}
                role="radio"
                aria-checked={here}
                aria-label={words}
                onPress={() => onChoose(each)}
                className={`min-h-11 min-w-14 items-center justify-center rounded-xl border-2 px-3 ${here ? 'border-act bg-act' : 'border-edge bg-card'}`}
              >
                <Text bold={here} tone={here ? 'on-act' : 'ink'}>
                  {`${each.size}${SHORT_STROKE[each.stroke ?? 'standard']}`}
                </Text>
              </Pressable>
            );
          })}
      </RadioGroup>
    </>
  );
}

/** What a stroke at a chamber meets, and what it does to a count with all other brakes good. */
function meant(book: Book, chamber: Chamber, value: string, psi: number, brakes: number) {
  const at = { axle: 1, side: 'left' } as const;
  const end: WheelEnd = { ...EQUIPMENT, ...at, chamber, unit: '', kind: 'semitrailer', steer: false, lift: false };
  const found = judgeReading(book, end, { kind: 'stroke-applied', ...at, value, reservoir: `${psi} psi` });
  const brake = { share: found.share, measured: found.verdict !== 'not-judged', open: false };
  return { found, limit: limitFor(book, 'stroke-applied', end), count: countBrakes(book, [brake], brakes - 1) };
}

const FIRST_SHOWN: Chamber = { type: 'clamp', size: '30', stroke: 'standard' };

/** What a stroke would mean: chamber, travel, air and the number of brakes moved by hand. Nothing is stored. */
export function WhatIf({ book }: { book: Book }) {
  const { both } = useShown();
  const chambers = chambersOf(book);
  const usual = chambers.find((each) => chamberWords(each) === chamberWords(FIRST_SHOWN));
  const [chamber, setChamber] = useState<Chamber | null>(usual ?? chambers[0] ?? null);
  const [steps, setSteps] = useState(60);
  const [psi, setPsi] = useState(95);
  const [brakes, setBrakes] = useState(10);
  if (!chamber)
    return (
      <Card title="What if">
        <Text tone="soft">This book has no stroke limit. The maker’s decides.</Text>
      </Card>
    );
  const value = formatLength(steps * STEP_NM, 'fraction');
  const { found, limit, count } = meant(book, chamber, value, psi, brakes);
  const air = `${psi} psi`;
  return (
    <Card title="What if" note="Try other figures. Nothing here is saved.">
      <Chambers chambers={chambers} chosen={chamber} onChoose={setChamber} />
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
        shown={both(air)}
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
      {limit ? <MarginRuler limit={limit} nm={steps * STEP_NM} verdict={found.verdict} /> : null}
      <View className="flex-row flex-wrap items-center gap-3">
        <VerdictBadge verdict={found.verdict} />
        <View className="min-w-0 flex-1">
          <Because said={found.said} />
        </View>
      </View>
      <BrakeSum count={count} share={book.brakeCount?.fraction ?? null} />
    </Card>
  );
}
