import { CHECK_PRESSES, OWN_CHECK_AT, type OwnCheck, ownCheckSchema, PARTS, type Part } from '@zealous-axle/core';
import Camera from 'lucide-react-native/icons/camera';
import { useState } from 'react';
import { useFieldArray } from 'react-hook-form';
import { View } from 'react-native';
import { addCheckPicture, pickPhoto } from '../../device/photos';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../parts/ChoiceField';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Notice } from '../../parts/Notice';
import { PART_WORDS, PRESSES_WORDS } from '../../parts/part-words';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';

const AT: Record<(typeof OWN_CHECK_AT)[number], string> = {
  unit: 'Once on the unit',
  side: 'On each side',
  axle: 'Once at each axle',
  end: 'At every axle end',
};
const PRESSES = CHECK_PRESSES.map((value) => ({ value, label: PRESSES_WORDS[value] }));
const MOST_SIGNS = 6;
const FIGURE: NonNullable<OwnCheck['figure']> = { unit: '', presses: 'next-visit' };
const EMPTY: OwnCheck = {
  name: '',
  part: 'other',
  at: 'unit',
  good: '',
  signs: [{ sign: '', presses: 'next-visit' }],
};

/** An empty limit is none. */
const withoutEmpty = ({ figure, ...check }: OwnCheck): OwnCheck => {
  if (!figure) return check;
  const { least, most, ...rest } = figure;
  return { ...check, figure: { ...rest, ...(least ? { least } : {}), ...(most ? { most } : {}) } };
};

interface StandardProps {
  name: string;
  picture: string | undefined;
  onPicture: (picture: string | undefined) => void;
}

/** A picture of what good looks like: taken here or chosen, and shown wherever the check is asked for. */
function Standard({ name, picture, onPicture }: StandardProps) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async () => {
    const file = await pickPhoto();
    if (!file) return;
    setBusy(true);
    setProblem(null);
    await addCheckPicture(file, `Picture of what good looks like: ${name}`)
      .then(onPicture)
      .catch((error: Error) => setProblem(error.message));
    setBusy(false);
  };
  return (
    <View className="flex-row flex-wrap gap-2">
      <Button
        className="grow"
        icon={Camera}
        label={busy ? 'Shrinking…' : picture ? 'Another picture' : 'Picture of it when good'}
        disabled={busy}
        onPress={() => void take()}
      />
      {picture ? <Button look="bare" label="No picture" onPress={() => onPicture(undefined)} /> : null}
      {picture ? <Text size="small">Picture saved.</Text> : null}
      {problem ? <Notice look="ask">{problem}</Notice> : null}
    </View>
  );
}

interface Props {
  check: OwnCheck | null;
  /** Names that others have. */
  taken: readonly string[];
  onSave: (check: OwnCheck) => void;
  onClose: () => void;
}

/** One check of the shop's own: what is looked at, what good looks like, and what may be seen instead. */
export function OwnCheckEditor({ check, taken, onSave, onClose }: Props) {
  const { control, handleSubmit, watch, setValue, formState, setError } = useZodForm(
    ownCheckSchema as never,
    (check ?? EMPTY) as OwnCheck,
  );
  const signs = useFieldArray({ control, name: 'signs' });
  const figure = watch('figure');
  const save = handleSubmit((written) => {
    const sent = withoutEmpty(written as OwnCheck);
    if (taken.includes(sent.name)) return setError('name', { message: 'another check has this name' });
    onSave(sent);
  });
  const wrong = formState.errors.signs?.root?.message ?? formState.errors.signs?.message;
  return (
    <Drawer title={check?.name ?? 'A check of our own'} onClose={onClose}>
      {check ? (
        <Text>{`${check.name}: a check is identified by its name. A new name makes a new check.`}</Text>
      ) : (
        <Field control={control} name="name" label="What to check" maxLength={40} autoFocus />
      )}
      <Field control={control} name="good" label="What good looks like" maxLength={200} multiline />
      <Standard
        name={watch('name')}
        picture={watch('picture')}
        onPicture={(next) => setValue('picture', next, { shouldDirty: true })}
      />
      <ChoiceField
        control={control}
        name="at"
        label="Where"
        stacked
        options={OWN_CHECK_AT.map((value) => ({ value, label: AT[value] }))}
      />
      <Text bold>What may be seen instead</Text>
      {signs.fields.map(({ id }, index) => (
        <View key={id} className="gap-2 border-t border-line pt-2">
          <Field control={control} name={`signs.${index}.sign`} label={`Sign ${index + 1}`} maxLength={60} />
          <ChoiceField control={control} name={`signs.${index}.presses`} label="It presses" stacked options={PRESSES} />
          <Button look="bare" label="Take off" hint={`sign ${index + 1}`} onPress={() => signs.remove(index)} />
        </View>
      ))}
      {signs.fields.length < MOST_SIGNS ? (
        <Button label="Another sign" onPress={() => signs.append({ sign: '', presses: 'next-visit' })} />
      ) : null}
      {figure ? (
        <View className="gap-2 border-t border-line pt-2">
          <Text bold>Counted or measured</Text>
          <Field control={control} name="figure.unit" label="Unit, empty for a count" maxLength={12} />
          <View className="flex-row gap-2">
            <View className="flex-1">
              <Field control={control} name="figure.least" label="At least" inputMode="decimal" maxLength={12} />
            </View>
            <View className="flex-1">
              <Field control={control} name="figure.most" label="At most" inputMode="decimal" maxLength={12} />
            </View>
          </View>
          <ChoiceField control={control} name="figure.presses" label="Past it" stacked options={PRESSES} />
          <Button
            look="bare"
            label="No figure"
            onPress={() => setValue('figure', undefined, { shouldValidate: true })}
          />
        </View>
      ) : (
        <Button
          label="Also a count or a measurement"
          onPress={() => setValue('figure', FIGURE, { shouldValidate: true, shouldDirty: true })}
        />
      )}
      <ChoiceField
        control={control}
        name="part"
        label="Shown under"
        options={PARTS.map((value: Part) => ({ value, label: PART_WORDS[value] }))}
      />
      {wrong ? <Notice look="ask">{`${wrong}.`}</Notice> : null}
      <Button tall look="act" label="Save the check" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}
