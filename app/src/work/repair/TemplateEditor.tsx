import { defectWords, SKILLS, subjectWords, TEMPLATES, type Template, templateSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { ChooseSign } from '../../parts/ChooseSign';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { Toggle } from '../../parts/Toggle';
import { useZodForm } from '../../session/forms';
import { TemplateParts } from './TemplateParts';

const optionsOf = <V extends string>(words: Record<V, string>) =>
  (Object.keys(words) as V[]).map((value) => ({ value, label: words[value] }));

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
const number = z.string().regex(/^\d{1,4}$/, 'enter whole minutes');
const formSchema = z.object({
  name: templateSchema.shape.name,
  one: number,
  both: number,
  people: z.string().regex(/^[1-6]$/, 'enter 1 to 6'),
  steps: z.string().refine((text) => lines(text).length > 0, 'enter at least one step'),
  lookAt: z.string(),
});

const AT = optionsOf({
  end: 'One end',
  axle: 'A whole axle',
  'every-end': 'Every end',
  unit: 'The unit',
} as const satisfies Record<Template['at'], string>);
const BAYS = templateSchema.shape.bay.options.map((value) => ({ value, label: value }));

/** The signs and readings that ask for this work. */
function Answers({ codes, onChange }: { codes: readonly string[]; onChange: (codes: string[]) => void }) {
  const [choosing, setChoosing] = useState(false);
  return (
    <View className="gap-1">
      <Text bold>Proposed for</Text>
      {codes.length === 0 ? <Text tone="soft">Nothing: chosen by hand.</Text> : null}
      {codes.map((code) => (
        <View key={code} className="min-h-11 flex-row items-center gap-2 border-t border-line">
          <Text className="min-w-0 flex-1">{defectWords(code)}</Text>
          <Button
            look="bare"
            label="Take off"
            hint={defectWords(code)}
            onPress={() => onChange(codes.filter((each) => each !== code))}
          />
        </View>
      ))}
      <Button label="Another sign…" onPress={() => setChoosing(true)} />
      {choosing ? (
        <ChooseSign
          title="Which sign is it for?"
          none="No other sign matches."
          fits={(code) => !codes.includes(code)}
          onClose={() => setChoosing(false)}
          onChoose={(code) => {
            setChoosing(false);
            onChange([...codes, code]);
          }}
        />
      ) : null}
    </View>
  );
}

type Measures = Template['measure'];
/** What is measured again after it, as it may be chosen. */
const MEASURES = [...new Set(TEMPLATES.flatMap(({ measure }) => measure))];

function Measured({ kinds, onChange }: { kinds: Measures; onChange: (kinds: Measures) => void }) {
  return (
    <View className="gap-1">
      <Text bold>Measured again afterward</Text>
      <View className="flex-row flex-wrap gap-2">
        {MEASURES.map((kind) => (
          <Toggle
            key={kind}
            label={subjectWords({ kind })}
            on={kinds.includes(kind)}
            onChange={(on) => onChange(on ? [...kinds, kind] : kinds.filter((each) => each !== kind))}
          />
        ))}
      </View>
    </View>
  );
}

interface Props {
  version: number;
  definition: Template;
  onClose: () => void;
}

/** How one kind of repair goes in this shop. */
export function TemplateEditor({ version, definition, onClose }: Props) {
  const { control, handleSubmit, formState } = useZodForm(formSchema, {
    name: definition.name,
    one: String(definition.minutes.one),
    both: String(definition.minutes.both),
    people: String(definition.people),
    steps: definition.steps.join('\n'),
    lookAt: definition.lookAt.join('\n'),
  });
  // What is chosen rather than written.
  const [rest, setRest] = useState(definition);
  const change = (some: Partial<Template>) => setRest({ ...rest, ...some });
  const whole = (written: z.infer<typeof formSchema>) =>
    templateSchema.safeParse({
      ...rest,
      name: written.name,
      minutes: { one: Number(written.one), both: Number(written.both) },
      people: Number(written.people),
      steps: lines(written.steps),
      lookAt: lines(written.lookAt),
    });
  const [problem, setProblem] = useState<string | null>(null);
  const save = handleSubmit((written) => {
    const read = whole(written);
    if (!read.success) return setProblem(`${read.error.issues[0]?.path.join(' ')}: ${read.error.issues[0]?.message}`);
    onClose();
    void send('save-template', { version, definition: read.data }, `${written.name}: how we do it`);
  });
  return (
    <Drawer title={definition.name || 'A kind of work of our own'} onClose={onClose}>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Field control={control} name="one" label="One end, min" inputMode="numeric" maxLength={4} />
        </View>
        <View className="flex-1">
          <Field control={control} name="both" label="Both, min" inputMode="numeric" maxLength={4} />
        </View>
        <View className="flex-1">
          <Field control={control} name="people" label="People" inputMode="numeric" maxLength={1} />
        </View>
      </View>
      <Choice label="Done at" pairs options={AT} value={rest.at} onChange={(at) => change({ at })} />
      <Choice
        label="Skill"
        options={SKILLS.map(({ name }) => ({ value: name, label: name }))}
        value={rest.skill}
        onChange={(skill) => change({ skill })}
      />
      <Choice label="Bay" options={BAYS} value={rest.bay} onChange={(bay) => change({ bay })} />
      <View className="flex-row gap-2">
        <Toggle label="Wheels off" on={rest.wheelsOff} onChange={(wheelsOff) => change({ wheelsOff })} />
        <Toggle label="Both ends" on={rest.bothEnds} onChange={(bothEnds) => change({ bothEnds })} />
      </View>
      <Field control={control} name="steps" label="Steps, a line each" multiline />
      <Field control={control} name="lookAt" label="What else to look at, a line each" multiline />
      <Answers codes={rest.answers} onChange={(answers) => change({ answers })} />
      <Measured kinds={rest.measure} onChange={(measure) => change({ measure })} />
      <TemplateParts parts={rest.parts} onChange={(parts) => change({ parts })} />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

/** Work that ships with the program, changed here or not. */
export const isShipped = ({ id }: Template): boolean => TEMPLATES.some((each) => each.id === id);

const freshId = (): string => `own-${uuidv7().slice(-12)}`;
const EMPTY: Omit<Template, 'id'> = {
  name: '',
  at: 'unit',
  minutes: { one: 30, both: 50 },
  people: 1,
  skill: SKILLS[0]?.name ?? '',
  bay: 'floor',
  wheelsOff: false,
  bothEnds: false,
  parts: [],
  steps: [],
  lookAt: [],
  measure: [],
  answers: [],
};

/** A kind of work of the shop's own: from nothing, or begun as another goes. */
export function NewTemplate({ templates, onClose }: { templates: readonly Template[]; onClose: () => void }) {
  const [from, setFrom] = useState<Template | null>(null);
  if (from) return <TemplateEditor version={0} definition={from} onClose={onClose} />;
  return (
    <Drawer title="Another kind of work" onClose={onClose}>
      <Button tall look="act" label="From nothing" onPress={() => setFrom({ id: freshId(), ...EMPTY })} />
      <Text tone="soft">Or start from another. What that one is proposed for stays with it.</Text>
      {templates.map((each) => (
        <Button
          key={each.id}
          label={`Like ${each.name}`}
          onPress={() => setFrom({ ...each, id: freshId(), name: `${each.name}, ours`.slice(0, 60), answers: [] })}
        />
      ))}
    </Drawer>
  );
}
