import { type CatalogueEntry, PARTS, type Part, plainSign } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { PART_WORDS } from '../../parts/part-words';
import type { Filled } from './filled';

interface KindsProps {
  entries: readonly CatalogueEntry[];
  part: Part | null;
  chosen: string | null;
  /** In a driver's words, a few of each part; the workshop's list behind them. */
  plain: boolean;
  onChange: (change: Pick<Filled, 'code'> & Partial<Pick<Filled, 'part'>>) => void;
}

/** What may be chosen of a part: a driver's few plain signs at first, or the whole list in the workshop's words. */
function optionsOf(entries: readonly CatalogueEntry[], plain: boolean, chosen: string | null) {
  const few = entries.filter(({ code }) => plainSign(code) !== null);
  if (!plain || few.length === 0) return entries.map(({ code, words }) => ({ value: code, label: words }));
  return entries
    .filter(({ code }) => plainSign(code) !== null || code === chosen)
    .map(({ code, words }) => ({ value: code, label: plainSign(code) ?? words }));
}

/** What is wrong: first of which part, then what of it. */
export function Kinds({ entries, part, chosen, plain, onChange }: KindsProps) {
  const [more, setMore] = useState(false);
  const parts = PARTS.filter((each) => entries.some((entry) => entry.part === each));
  const of = (wanted: Part) => entries.filter((entry) => entry.part === wanted);
  const options = part ? optionsOf(of(part), plain && !more, chosen) : [];
  return (
    <View className="gap-3">
      <Choice
        label="What is it?"
        options={parts.map((each) => ({ value: each, label: PART_WORDS[each] }))}
        value={part}
        onChange={(next) => onChange({ part: next, code: of(next).length === 1 ? (of(next)[0]?.code ?? null) : null })}
      />
      {part && part !== 'other' ? (
        <Choice
          stacked
          label="What is wrong?"
          options={options}
          value={chosen}
          onChange={(code) => onChange({ code })}
        />
      ) : null}
      {part && options.length < of(part).length ? (
        <Button label="More: the shop’s list" onPress={() => setMore(true)} />
      ) : null}
    </View>
  );
}
