import {
  checkEntry,
  isCaseOf,
  keyOf,
  LAMP_WORDS,
  LAMPS,
  otherEndGood,
  ownSignOf,
  severityOf,
} from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { VerdictMark } from '../../../parts/VerdictMark';
import { useShown } from '../../../session/rules';
import type { PadProps } from '../kinds/kind';

type Lamps = NonNullable<PadProps['entry']['note']['lamps']>;

const COUNTS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '10'].map((value) => ({ value, label: value }));

/** How many lamps of one name are out, of how many: both are said, or neither. */
function HowMany({ lamps, onChange }: { lamps: Lamps | null; onChange: (lamps: Lamps) => void }) {
  const out = lamps?.out ?? 1;
  return (
    <>
      <Choice
        label="How many in all?"
        options={COUNTS}
        value={lamps ? String(lamps.of) : null}
        onChange={(of) => onChange({ out: Math.min(out, Number(of)), of: Number(of) })}
      />
      {lamps && lamps.of > 1 ? (
        <Choice
          label="How many are out?"
          options={COUNTS.slice(0, lamps.of)}
          value={String(lamps.out)}
          onChange={(count) => onChange({ ...lamps, out: Number(count) })}
        />
      ) : null}
    </>
  );
}

/** A check by eye: what good looks like, and the signs that lead to each defect. Good is one tap. */
export function CheckPad({ draft, step, entry, note: change, saveWith }: PadProps) {
  const { words } = useShown();
  const check = checkEntry(step.item ?? '');
  if (!check) return <Text>This check is no longer in the catalog. Skip it with a reason.</Text>;
  const found = entry.note.found ?? [];
  const goodBefore = draft.previous[keyOf(step)]?.text === 'good';
  const toggle = (code: string) => {
    const now = found.includes(code) ? found.filter((each) => each !== code) : [...found, code];
    change({ found: now.length ? now : undefined, how: 'seen' });
  };
  return (
    <View className="gap-3 pt-1">
      {check.caution ? <Notice look="ask">{words(check.caution)}</Notice> : null}
      <Text bold>What is wrong, if anything</Text>
      <View className="gap-2">
        {check.signs.map(({ sign, code }) => {
          const on = found.includes(code);
          const own = ownSignOf(draft.rules.signs, code);
          const verdict = severityOf(code, draft.rules.book)?.verdict ?? 'not-judged';
          return (
            <Pressable
              key={sign}
              role="checkbox"
              aria-checked={on}
              aria-label={words(sign)}
              onPress={() => toggle(code)}
              className={`min-h-12 flex-row items-center gap-3 rounded-xl border-2 px-3 py-1.5 ${on ? 'border-act bg-raised' : 'border-edge bg-card'}`}
            >
              <VerdictMark verdict={verdict} size={22} />
              <Text bold={on} className="min-w-0 flex-1">
                {words(sign)}
                {own ? (
                  <Text
                    size="small"
                    tone="soft"
                  >{`\n${own.presses === 'hold' ? 'Holds the unit' : 'Before its next use'}, by our own rule`}</Text>
                ) : null}
              </Text>
              {on ? (
                <Text bold tone="act">
                  Found
                </Text>
              ) : null}
            </Pressable>
          );
        })}
      </View>
      {found.length && check.part === 'lamps' ? (
        <Choice
          label="Which one?"
          pairs
          options={LAMPS.map((value) => ({ value, label: LAMP_WORDS[value] }))}
          value={entry.note.on ?? null}
          onChange={(on) => change({ on })}
        />
      ) : null}
      {found.some((code) => isCaseOf(code, 'lamp-out')) ? (
        <HowMany lamps={entry.note.lamps ?? null} onChange={(lamps) => change({ lamps })} />
      ) : null}
      {found.length ? (
        <TextField
          label="Your own words (optional)"
          value={entry.note.words ?? ''}
          onChangeText={(words) => change({ words })}
          maxLength={300}
        />
      ) : null}
      {otherEndGood(draft, step) ? (
        <Button label="Looks the same as the other end" onPress={() => saveWith({ found: [], how: 'as-other-end' })} />
      ) : null}
      {goodBefore ? (
        <Button
          label="Seen again: the same as last time"
          onPress={() => saveWith({ found: [], how: 'as-last-time' })}
        />
      ) : null}
    </View>
  );
}
