import { type PersonWork, personWorkSchema, QUALIFICATIONS, SKILLS } from '@zealous-axle/core';
import { useState } from 'react';
import { type Control, type FieldPath, type FieldValues, useController } from 'react-hook-form';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { sentence } from '../../parts/Field';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { Toggle } from '../../parts/Toggle';
import { AwayDays } from './AwayDays';
import { WeeklyHours } from './WeeklyHours';

/** What is wrong at a path of what was written, as a sentence; null where it is right. */
function wrongIn(work: PersonWork): (...path: (string | number)[]) => string | null {
  const issues = personWorkSchema.safeParse(work).error?.issues ?? [];
  return (...path) => {
    const issue = issues.find((each) => each.path.join('.') === path.join('.'));
    return issue ? sentence(issue.message) : null;
  };
}

interface Props<V extends FieldValues> {
  // biome-ignore lint/suspicious/noExplicitAny: a field is the same whatever its form sends.
  control: Control<V, any, any>;
  name: FieldPath<V>;
  /** Closed until it is asked for: a driver has no work in the shop. */
  folded: boolean;
}

/** What a person can do, what they hold papers for, and when they are there. */
export function WorkField<V extends FieldValues>({ control, name, folded }: Props<V>) {
  const { field } = useController({ control, name });
  const [asked, setAsked] = useState(false);
  const work = field.value as PersonWork;
  const wrong = wrongIn(work);
  const change = (some: Partial<PersonWork>) => field.onChange({ ...work, ...some });
  if (folded && !asked) return <Button label="Skills, qualifications and shifts…" onPress={() => setAsked(true)} />;
  return (
    <View className="gap-4">
      <Skills skills={work.skills} onChange={(skills) => change({ skills })} />
      <Qualifications
        held={work.qualifications}
        wrong={(index) => wrong('qualifications', index, 'until')}
        onChange={(qualifications) => change({ qualifications })}
      />
      <WeeklyHours
        title="Is there"
        one="shift"
        hours={work.shifts}
        wrong={(index, end) => wrong('shifts', index, end)}
        onChange={(shifts) => change({ shifts })}
      />
      <AwayDays
        title="Is away"
        act="Add an absence"
        reason="away"
        days={work.away}
        wrong={(index, field) => wrong('away', index, field)}
        onChange={(away) => change({ away })}
      />
    </View>
  );
}

function Skills({ skills, onChange }: { skills: string[]; onChange: (skills: string[]) => void }) {
  return (
    <View className="gap-2">
      <Text bold>Does</Text>
      <View className="flex-row flex-wrap gap-2">
        {SKILLS.map(({ name }) => (
          <Toggle
            key={name}
            label={name}
            on={skills.includes(name)}
            onChange={(on) => onChange(on ? [...skills, name] : skills.filter((each) => each !== name))}
          />
        ))}
      </View>
    </View>
  );
}

interface QualificationsProps {
  held: PersonWork['qualifications'];
  wrong: (index: number) => string | null;
  onChange: (held: PersonWork['qualifications']) => void;
}

function Qualifications({ held, wrong, onChange }: QualificationsProps) {
  const [adding, setAdding] = useState(false);
  const open = QUALIFICATIONS.filter(({ name }) => held.every((each) => each.name !== name));
  return (
    <View className="gap-2">
      <Text bold>Qualifications</Text>
      {held.map(({ name, until }, index) => (
        <View key={name} className="gap-1 border-t border-line pt-2">
          <TextField
            label={`${name}, until`}
            placeholder="2027-06-30, or blank if it does not expire"
            value={until ?? ''}
            error={wrong(index)}
            maxLength={10}
            onChangeText={(day) =>
              onChange(held.map((each) => (each.name === name ? { name, until: day.trim() || null } : each)))
            }
          />
          <Button
            look="bare"
            label="No longer"
            hint={name}
            onPress={() => onChange(held.filter((each) => each.name !== name))}
          />
        </View>
      ))}
      {adding
        ? open.map(({ name, says }) => (
            <View key={name} className="gap-1">
              <Button
                label={name}
                onPress={() => {
                  setAdding(false);
                  onChange([...held, { name, until: null }]);
                }}
              />
              <Text size="small" tone="soft">
                {says}
              </Text>
            </View>
          ))
        : null}
      {open.length && !adding ? <Button label="Add a paper" onPress={() => setAdding(true)} /> : null}
    </View>
  );
}
