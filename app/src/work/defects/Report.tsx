import {
  type DefectView,
  defectWords,
  LAMP_WORDS,
  LAMPS,
  type OwnCheck,
  parsePosition,
  type Tyre,
  type UnitPage,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { Pressable, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { sendPictures } from '../../device/photos';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { defectPlace } from '../../parts/DefectRow';
import { endsOf } from '../../parts/ends';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { Pictures } from '../../parts/Pictures';
import { RunningGear } from '../../parts/RunningGear';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useUnit } from '../../server/queries';
import { useKeptForm } from '../../session/forms';
import { useSession } from '../../session/session';
import { useJudgedStanding } from '../../session/standing';
import { AddToReport } from './AddToReport';
import { aboutOf, codeOf, EMPTY, type Filled, lampsOf, reportedAlready, reportSchema, WHOLE, wordsOf } from './filled';
import { Kinds } from './Kinds';

const TYRE_WORDS: Record<Tyre, string> = { single: 'Tire', inner: 'Inner tire', outer: 'Outer tire' };

/** Sends a report, and then its photos: a photo points to the report. */
async function sendReport(unit: UnitPage, filled: Filled, own: readonly OwnCheck[]): Promise<void> {
  const { position, entry, tyres } = aboutOf(unit, filled, own);
  if (!entry) return;
  const defect = uuidv7();
  const tyre = entry.where === 'tyre' ? (tyres.length > 1 ? filled.tyre : (tyres[0] ?? null)) : null;
  await send(
    'report-defect',
    {
      defect,
      unit: unit.id,
      code: codeOf(entry, filled),
      place: { axle: position?.axle ?? null, side: position?.side ?? null, tyre },
      words: wordsOf(filled),
    },
    `${unit.number}: ${entry.words}${position ? ` at ${filled.place}` : ''}`,
  );
  await sendPictures(filled.photos, { unit: unit.id, defect }, `${unit.number}: photo of ${entry.words}`);
}

const NOT_SURE = 'Not sure what it is';

/** What of a report is too large to be written at every key. */
const HEAVY = ['photos'] as const;

/** The place on the drawn plan, or the whole unit. */
function Where({
  unit,
  place,
  onPlace,
}: {
  unit: UnitPage;
  place: string | null;
  onPlace: (place: string | null) => void;
}) {
  const judged = useJudgedStanding(unit, unit);
  return (
    <View className="gap-2">
      <Text level={2} bold size="lead">
        {place && place !== WHOLE ? `At ${place}` : place === WHOLE ? 'The whole unit' : 'Where is it?'}
      </Text>
      {place ? (
        <Pressable role="button" onPress={() => onPlace(null)} className="min-h-11 justify-center">
          <Text tone="act" bold>
            Change location
          </Text>
        </Pressable>
      ) : (
        <>
          <RunningGear
            unit={unit}
            ends={endsOf(
              unit,
              unit.standing.map((each) => ({ ...each, value: null })),
              judged.findings,
            )}
            size="medium"
            onSelect={onPlace}
          />
          <Button tall label="Not at a wheel: lamps, body, coupling, air…" onPress={() => onPlace(WHOLE)} />
        </>
      )}
    </View>
  );
}

/** Begun earlier, and the way out of it. */
function Earlier({ number, onClear }: { number: string; onClear: () => void }) {
  return (
    <View className="gap-2">
      <Notice>Unsent report from earlier. Your entries are still here.</Notice>
      <ConfirmButton label="Begin anew" ask="Discard this report" hint={number} onDo={onClear} />
    </View>
  );
}

interface LampProps {
  lamps: readonly string[];
  filled: Pick<Filled, 'lamp' | 'on'>;
  onChange: (changed: Partial<Filled>) => void;
}

/** Which of the lamps, and on which side. */
function WhichLamp({ lamps, filled, onChange }: LampProps) {
  return (
    <>
      <Choice
        label="Which lamp?"
        pairs
        options={lamps.map((value) => ({ value, label: value }))}
        value={filled.lamp ?? null}
        onChange={(lamp) => onChange({ lamp })}
      />
      <Choice
        label="Which side?"
        pairs
        options={LAMPS.map((value) => ({ value, label: LAMP_WORDS[value] }))}
        value={filled.on ?? null}
        onChange={(on) => onChange({ on })}
      />
    </>
  );
}

/** The same stands reported already: nobody has to say it twice, and whoever knows more adds it. */
function Already({ defect }: { defect: DefectView }) {
  const { fleet } = useSession();
  return (
    <Notice look="ask">
      {`Already reported: ${defectPlace(defect)} ${defectWords(defect.code)}, ${defect.reportedBy}, ${clock(defect.reportedAt, fleet.zone)}. No need to report it again.`}
    </Notice>
  );
}

function Form({ unit, at, after }: { unit: UnitPage; at: string | null; after: () => void }) {
  const { person, fleet } = useSession();
  const own = fleet.checks;
  const form = useKeptForm(`report ${unit.id} ${at ?? ''}`, reportSchema(unit, own), { ...EMPTY, place: at }, HEAVY);
  const { control, watch, setValue, getValues, formState, handleSubmit } = form;
  const plain = person.role === 'driver';
  if (!form.ready) return null;
  const filled = watch();
  const { place, part, code, tyre, photos } = filled;
  const { entries, entry, tyres, needsTyre } = aboutOf(unit, filled, own);
  const lamps = lampsOf(entry, unit);
  const change = (changed: Partial<Filled>) => {
    for (const [name, value] of Object.entries(changed))
      setValue(name as keyof Filled, value, { shouldValidate: true });
  };
  const sent = formState.isSubmitting || formState.isSubmitSuccessful;
  const report = handleSubmit(async (done) => {
    await sendReport(unit, done, own);
    void form.clear();
    after();
  });
  // A driver says it in words first; the workshop chooses from its list.
  const words = (
    <Field
      control={control}
      name="words"
      label={entry?.part === 'other' ? 'What is wrong?' : 'Your own words (optional)'}
      multiline
      maxLength={440}
    />
  );
  const already = reportedAlready(unit, filled, own);
  const missing = formState.isSubmitted ? formState.errors.place?.message : undefined;

  return (
    <>
      {form.earlier && !sent ? <Earlier number={unit.number} onClear={() => void form.clear()} /> : null}
      <Where
        unit={unit}
        place={place}
        onPlace={(next) =>
          change(next ? { place: next, part: null, code: null, tyre: null, lamp: null, on: null } : { place: next })
        }
      />
      {place && plain ? words : null}
      {place ? <Kinds entries={entries} part={part} chosen={code} plain={plain} onChange={change} /> : null}
      {place && plain && !code ? (
        <Button
          label="Not sure what it is: someone will look"
          onPress={() =>
            change({
              // At a wheel end a doubt is of the wheel until somebody looked: it holds.
              part: place === WHOLE ? 'other' : 'wheel',
              code: place === WHOLE ? 'other' : 'unsure-wheel',
              words: getValues('words').trim() || NOT_SURE,
            })
          }
        />
      ) : null}
      {needsTyre ? (
        <Choice
          label="Which tire?"
          options={tyres.map((each) => ({ value: each, label: TYRE_WORDS[each] }))}
          value={tyre}
          onChange={(next) => change({ tyre: next })}
        />
      ) : null}
      {lamps.length > 1 ? <WhichLamp lamps={lamps} filled={filled} onChange={change} /> : null}
      {place ? (
        <>
          {plain ? null : words}
          <Pictures photos={photos} onPhoto={(picture) => change({ photos: [...getValues('photos'), picture] })} />
        </>
      ) : null}
      {already ? (
        <>
          <Already defect={already} />
          <AddToReport defect={already} />
        </>
      ) : null}
      {missing ? <Notice look="ask">{missing}</Notice> : null}
      {place ? <Button tall look="act" label="Send report" onPress={() => void report()} disabled={sent} /> : null}
    </>
  );
}

/** A defect in under a minute: touch the place, choose the kind, add words. */
export function Report() {
  const {
    unit: id,
    at,
    inspection,
    job,
  } = useLocalSearchParams<{
    unit: string;
    at?: string;
    inspection?: string;
    job?: string;
  }>();
  const query = useUnit(id);
  const home = inspection
    ? (`/inspect/${inspection}` as const)
    : job
      ? (`/job/${job}` as const)
      : (`/trailer/${id}` as const);
  const leave = () => (router.canGoBack() ? router.back() : router.replace(home));
  return (
    <Screen
      title="Report a defect"
      under={query.data ? `${query.data.number} – ${query.data.body}` : undefined}
      back={goBack(`/trailer/${id}`)}
      focused
    >
      <Loaded query={query}>
        {(unit) => <Form unit={unit} at={at && parsePosition(at) ? at : null} after={leave} />}
      </Loaded>
    </Screen>
  );
}
