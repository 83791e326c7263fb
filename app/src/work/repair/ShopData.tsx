import { SKILLS, type Template, templateSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { minutesWords } from '../../look/minutes';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Loaded, Together } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { Toggle } from '../../parts/Toggle';
import { useParts, useShortParts, useTemplates } from '../../server/queries';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { PartsRoom } from './PartsRoom';
import { ShortParts } from './ShortParts';
import { TemplateParts } from './TemplateParts';

const lines = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean);
const number = z.string().regex(/^\d{1,4}$/, 'write whole minutes');
const formSchema = z.object({
  name: templateSchema.shape.name,
  one: number,
  both: number,
  people: z.string().regex(/^[1-6]$/, 'write 1 to 6'),
  steps: z.string().refine((text) => lines(text).length > 0, 'write at least one step'),
  lookAt: z.string(),
});

const BAYS = templateSchema.shape.bay.options.map((value) => ({ value, label: value }));

interface Props {
  version: number;
  definition: Template;
  onClose: () => void;
}

/** How one kind of repair goes in this shop. */
function EditTemplate({ version, definition, onClose }: Props) {
  const { control, handleSubmit, formState } = useZodForm(formSchema, {
    name: definition.name,
    one: String(definition.minutes.one),
    both: String(definition.minutes.both),
    people: String(definition.people),
    steps: definition.steps.join('\n'),
    lookAt: definition.lookAt.join('\n'),
  });
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
    <Drawer title={definition.name} onClose={onClose}>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Field control={control} name="one" label="Minutes, one end" inputMode="numeric" maxLength={4} />
        </View>
        <View className="flex-1">
          <Field control={control} name="both" label="Both ends" inputMode="numeric" maxLength={4} />
        </View>
        <View className="flex-1">
          <Field control={control} name="people" label="People" inputMode="numeric" maxLength={1} />
        </View>
      </View>
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
      <TemplateParts parts={rest.parts} onChange={(parts) => change({ parts })} />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

/** How each kind of repair goes here, and what the parts room has: data that the shop changes. */
export function ShopData() {
  const { fleet } = useSession();
  const query = useTemplates();
  const [short, parts] = [useShortParts(), useParts()];
  const mayTemplate = useMaySend('save-template');
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Screen narrow title="Work and parts" under={fleet.name} back={goBack('/set-up')}>
      <Card title="How repairs go" note="Practice to begin with: change what your shop does otherwise.">
        <Loaded query={query} beside={[short, parts]}>
          {({ templates }) => (
            <>
              {templates.map(({ version, definition, clocked }) => (
                <View key={definition.id} className="min-h-12 flex-row items-center gap-2 border-t border-line">
                  <View className="min-w-0 flex-1">
                    <Text>{definition.name}</Text>
                    <Text size="small" tone="soft">
                      {[
                        minutesWords(definition.minutes.one),
                        definition.skill,
                        definition.wheelsOff ? 'wheels off' : '',
                        version ? 'changed here' : '',
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                    {clocked ? (
                      <Text size="small" tone="soft">
                        {`By the clock ${clocked.ratio.toFixed(1)} times the standard, ${clocked.jobs} ${clocked.jobs === 1 ? 'job' : 'jobs'}`}
                      </Text>
                    ) : null}
                  </View>
                  {mayTemplate ? (
                    <Button look="bare" label="Change" hint={definition.name} onPress={() => setOpen(definition.id)} />
                  ) : null}
                </View>
              ))}
              {templates
                .filter(({ definition }) => definition.id === open)
                .map(({ version, definition }) => (
                  <EditTemplate key={version} version={version} definition={definition} onClose={() => setOpen(null)} />
                ))}
            </>
          )}
        </Loaded>
      </Card>
      <Together of={[query, short, parts]}>
        <ShortParts />
        <PartsRoom />
      </Together>
    </Screen>
  );
}
