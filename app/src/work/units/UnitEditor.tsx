import {
  type Axle,
  changedFacts,
  type Features,
  FIRST_AXLES,
  isJudgedBy,
  isPowerUnit,
  SEEN_BY,
  type UnitForm,
  type UnitKind,
  type UnitPage,
  unitFormSchema,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { type Because, BecauseForm } from '../../parts/BecauseForm';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChoiceField } from '../../parts/ChoiceField';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { call } from '../../server/client';
import { useUnit } from '../../server/queries';
import { useKeptForm } from '../../session/forms';
import { AxleCard } from './AxleCard';
import { FeaturesCard } from './FeaturesCard';
import { FiguresCard } from './FiguresCard';
import { KIND_WORDS, optionsOf } from './words';

const KINDS = optionsOf(KIND_WORDS);
const MOST_AXLES = 12;

const emptyForm = (kind: UnitKind): UnitForm => ({
  number: '',
  body: '',
  kind,
  site: '',
  axles: [...FIRST_AXLES[kind]],
  features: {},
});

const formOf = ({ number, body, kind, site, axles, features }: UnitPage): UnitForm => ({
  number,
  body,
  kind,
  site,
  axles,
  features,
});

interface FormProps {
  /** What the draft is kept under. */
  name: string;
  first: UnitForm;
  act: string;
  /** The unit it is of, where there is one already. */
  own?: string;
  onSave: (form: UnitForm, because?: Because) => Promise<void>;
}

/** What is wrong with an axle, by its field. */
const wrongIn = (errors: object | undefined): Record<string, string> =>
  Object.fromEntries(
    Object.entries(errors ?? {}).flatMap(([field, error]) => {
      const message = (error as { message?: string } | undefined)?.message;
      return message ? [[field, message]] : [];
    }),
  );

/** Whether another unit has the number already. Asked before it is sent, where there is a signal: refused afterwards, the form would be gone. */
const isTaken = async (number: string, own: string | undefined): Promise<boolean> => {
  const other = await call<{ unit: string | null }>('GET', `/units/number?number=${encodeURIComponent(number)}`)
    .then(({ unit }) => unit)
    .catch(() => null);
  return other !== null && other !== own;
};

interface AxlesProps {
  kind: UnitKind;
  axles: readonly Axle[];
  wrong: (index: number) => Record<string, string>;
  onChange: (axles: readonly Axle[]) => void;
}

/** Each axle, and one more like the last. */
function Axles({ kind, axles, wrong, onChange }: AxlesProps) {
  const put = (index: number, axle: Axle | undefined) =>
    onChange(axles.map((each, at) => (at === index && axle ? axle : each)));
  return (
    <>
      {axles.map((axle, index) => (
        <AxleCard
          key={index}
          axle={axle}
          place={index + 1}
          kind={kind}
          wrong={wrong(index)}
          onChange={(next) => put(index, next)}
          onSame={
            index > 0 && JSON.stringify(axle) !== JSON.stringify(axles[index - 1])
              ? () => put(index, axles[index - 1])
              : null
          }
          onRemove={axles.length > 1 ? () => onChange(axles.filter((_, at) => at !== index)) : null}
        />
      ))}
      {axles.length < MOST_AXLES ? (
        <Button
          label={`Another axle, like axle ${axles.length}`}
          onPress={() => onChange([...axles, axles.at(-1)] as Axle[])}
        />
      ) : null}
    </>
  );
}

interface FittedProps {
  kind: UnitKind;
  features: Features;
  wrong: (name: keyof Features) => string | null;
  onChange: (features: Features) => void;
}

/** What it has beside its running gear. */
const Fitted = ({ kind, features, wrong, onChange }: FittedProps) => (
  <>
    <FeaturesCard features={features} yearWrong={wrong('yearBuilt')} onChange={onChange} />
    <FiguresCard features={features} power={isPowerUnit(kind)} wrong={wrong} onChange={onChange} />
  </>
);

function Form({ name, first, act, own, onSave }: FormProps) {
  const form = useKeptForm(name, unitFormSchema, first);
  const { control, watch, setValue, setError, handleSubmit, formState } = form;
  if (!form.ready) return null;
  const { kind, axles, features } = watch();
  const { errors } = formState;
  const setAxles = (next: readonly Axle[]) =>
    setValue('axles', [...next] as UnitForm['axles'], { shouldValidate: true, shouldDirty: true });
  // What is judged by something else afterwards needs a reason; a new unit was never judged.
  const asks = own !== undefined && formState.isValid && isJudgedBy(changedFacts(first, form.getValues() as UnitForm));
  const save = async (because?: Because) =>
    handleSubmit(async (sent) => {
      const { number } = sent;
      if (await isTaken(number, own)) return setError('number', { message: `unit ${number} already exists` });
      await onSave(sent, because);
      await form.clear();
    })();
  const setKind = (next: UnitKind) => {
    const untouched = JSON.stringify(axles) === JSON.stringify(FIRST_AXLES[kind]);
    if (untouched) setAxles(FIRST_AXLES[next]);
  };
  return (
    <>
      {form.earlier ? (
        <View className="gap-2">
          <Notice>Unsaved entries from earlier are still here.</Notice>
          <ConfirmButton label="Begin anew" ask="Discard this" hint="unit" onDo={() => void form.clear()} />
        </View>
      ) : null}
      <Card title="Unit">
        <Field control={control} name="number" label="Number, as painted on it" maxLength={20} />
        <ChoiceField
          control={control}
          name="kind"
          label="Kind"
          pairs
          options={KINDS}
          onPicked={(next) => setKind(next as UnitKind)}
        />
        <Field control={control} name="body" label="Body, like “Seed hopper”" maxLength={60} />
        <Field control={control} name="site" label="Location" maxLength={60} />
      </Card>
      <Axles
        kind={kind}
        axles={axles as readonly Axle[]}
        wrong={(index) => wrongIn(errors.axles?.[index])}
        onChange={setAxles}
      />
      <Fitted
        kind={kind}
        features={features as Features}
        wrong={(name) => errors.features?.[name]?.message ?? null}
        onChange={(next) => setValue('features', next, { shouldValidate: true, shouldDirty: true })}
      />
      {asks ? (
        <Card title="Reason for the change" note="Verdicts depend on this: current readings are judged again.">
          <BecauseForm
            photos={false}
            seenBy={SEEN_BY}
            act={act}
            waits={formState.isSubmitting || formState.isSubmitSuccessful}
            onBecause={(because) => void save(because)}
          />
        </Card>
      ) : (
        <Button
          tall
          look="act"
          label={act}
          onPress={() => void save()}
          disabled={formState.isSubmitting || formState.isSubmitSuccessful}
        />
      )}
      {formState.isSubmitted && !formState.isValid ? (
        <Notice look="ask">Something is missing or not possible. See the fields marked above.</Notice>
      ) : null}
    </>
  );
}

/** Sets up a unit; like another one, where `from` names it. */
export function NewUnit() {
  const { from } = useLocalSearchParams<{ from?: string }>();
  const query = useUnit(from ?? '');
  const add = async (form: UnitForm) => {
    const unit = uuidv7();
    await send('add-unit', { unit, form }, `${form.number}: set up`);
    router.replace('/');
  };
  const form = (first: UnitForm) => <Form name={`unit new ${from ?? ''}`} first={first} act="Add unit" onSave={add} />;
  return (
    <Screen
      focused
      narrow
      title="A new unit"
      under={from && query.data ? `Like ${query.data.number}` : undefined}
      back={goBack('/')}
    >
      {from ? (
        <Loaded query={query}>{(like) => form({ ...formOf(like), number: '' })}</Loaded>
      ) : (
        form(emptyForm('semitrailer'))
      )}
    </Screen>
  );
}

/** Corrects what a unit is. */
export function EditUnit() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const query = useUnit(id);
  return (
    <Screen focused narrow title="Edit this unit" under={query.data?.number} back={goBack(`/trailer/${id}`)}>
      <Loaded query={query}>
        {(unit) => (
          <Form
            key={unit.version}
            name={`unit ${id} ${unit.version}`}
            first={formOf(unit)}
            act="Save"
            own={id}
            onSave={async (form, because) => {
              const sent = { unit: id, version: unit.version, form, ...(because ? { because } : {}) };
              await send('set-unit', sent, `${form.number}: corrected`);
              router.replace(`/trailer/${id}`);
            }}
          />
        )}
      </Loaded>
    </Screen>
  );
}
