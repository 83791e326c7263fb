import { checkEntry, type Step, severityOf, stepKey } from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import { type Draft, entryOf } from '../../../data/draft';
import { Button } from '../../../parts/Button';
import { Field } from '../../../parts/Field';
import { T } from '../../../parts/T';
import { VerdictMark } from '../../../parts/VerdictMark';
import type { PadProps } from './pad';

/** Whether the same check was found good at the other end of the axle in this inspection. */
function otherEndGood(draft: Draft, step: Step): boolean {
  if (!step.axle || !step.side) return false;
  const other: Step = { ...step, side: step.side === 'left' ? 'right' : 'left' };
  const saved = entryOf(draft, other).saved?.value;
  return saved?.kind === 'check' && saved.found.length === 0;
}

/** A check by eye: what good looks like, and the signs that lead to each defect. Good is one tap. */
export function CheckPad({ draft, step, entry, note: change, saveWith }: PadProps) {
  const check = checkEntry(step.item ?? '');
  if (!check) return <T>This check is no longer in the catalogue. Skip it with a reason.</T>;
  const found = entry.note.found ?? [];
  const goodBefore = draft.previous[stepKey(step)]?.text === 'good';
  const toggle = (code: string) => {
    const now = found.includes(code) ? found.filter((each) => each !== code) : [...found, code];
    change({ found: now.length ? now : undefined, how: 'seen' });
  };
  return (
    <View className="gap-3 pt-1">
      <T bold>What is wrong, if anything</T>
      <View className="gap-2">
        {check.signs.map(({ sign, code }) => {
          const on = found.includes(code);
          const verdict = severityOf(code, draft.rules.book)?.verdict ?? 'not-judged';
          return (
            <Pressable
              key={sign}
              role="checkbox"
              aria-checked={on}
              aria-label={sign}
              onPress={() => toggle(code)}
              className={`min-h-12 flex-row items-center gap-3 rounded-xl border-2 px-3 py-1.5 ${on ? 'border-act bg-raised' : 'border-edge bg-card'}`}
            >
              <VerdictMark verdict={verdict} size={22} />
              <T bold={on} className="min-w-0 flex-1">
                {sign}
              </T>
              {on ? (
                <T bold tone="act">
                  Found
                </T>
              ) : null}
            </Pressable>
          );
        })}
      </View>
      {found.length ? (
        <Field
          label="In your words (if it helps)"
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
