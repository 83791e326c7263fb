import {
  type CatalogueEntry,
  catalogueAt,
  PARTS,
  type Part,
  parsePosition,
  type Tyre,
  tyresOf,
  type UnitPage,
  wheelEnd,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import Camera from 'lucide-react-native/icons/camera';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { pickPhoto, type Shrunk, shrink } from '../../device/photos';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { endsOf } from '../../parts/ends';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { PhotoStrip } from '../../parts/PhotoStrip';
import { RunningGear } from '../../parts/RunningGear';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useUnit } from '../../server/queries';
import { useTyped } from '../../session/useTyped';

const PART_WORDS: Record<Part, string> = {
  brake: 'Brake',
  tyre: 'Tyre',
  wheel: 'Wheel, nuts',
  hub: 'Hub',
  suspension: 'Suspension',
  frame: 'Frame',
  coupling: 'Coupling',
  lamps: 'Lamps',
  body: 'Body, doors',
  air: 'Air',
  engine: 'Engine bay',
  steering: 'Steering',
  cab: 'Cab',
  emergency: 'Emergency equipment',
  bus: 'Passengers',
  papers: 'Papers',
  other: 'Something else',
};
const TYRE_WORDS: Record<Tyre, string> = { single: 'Tyre', inner: 'Inner tyre', outer: 'Outer tyre' };
const WHOLE = 'whole';

interface Filled {
  place: string | null;
  part: Part | null;
  code: string | null;
  tyre: Tyre | null;
  words: string;
  photos: ({ photo: string } & Shrunk)[];
}
const EMPTY: Filled = { place: null, part: null, code: null, tyre: null, words: '', photos: [] };

interface KindsProps {
  entries: readonly CatalogueEntry[];
  part: Part | null;
  chosen: string | null;
  onChange: (change: Pick<Filled, 'code'> & Partial<Pick<Filled, 'part'>>) => void;
}

function Kinds({ entries, part, chosen, onChange }: KindsProps) {
  const parts = PARTS.filter((each) => entries.some((entry) => entry.part === each));
  const of = (wanted: Part) => entries.filter((entry) => entry.part === wanted);
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
          options={of(part).map(({ code, words }) => ({ value: code, label: words }))}
          value={chosen}
          onChange={(code) => onChange({ code })}
        />
      ) : null}
    </View>
  );
}

function Form({ unit, at, after }: { unit: UnitPage; at: string | null; after: () => void }) {
  const typed = useTyped(`report ${unit.id} ${at ?? ''}`, { ...EMPTY, place: at });
  const [asked, setAsked] = useState(false);
  const [sent, setSent] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  if (!typed) return null;
  const { value, change, clear, earlier } = typed;
  const { place, part, code, tyre, words, photos } = value;

  const position = place && place !== WHOLE ? parsePosition(place) : null;
  const end = position ? wheelEnd(unit, position.axle, position.side) : null;
  const entries = catalogueAt(position ? 'end' : 'unit');
  const entry = entries.find((each) => each.code === code) ?? null;
  const tyres = end ? tyresOf(end) : [];
  const needsTyre = entry?.where === 'tyre' && tyres.length > 1;
  const missing = !place
    ? 'Touch the place on the plan, or say that it concerns the whole trailer.'
    : !entry
      ? 'Choose what is wrong.'
      : needsTyre && !tyre
        ? 'Choose the tyre.'
        : entry.part === 'other' && words.trim() === ''
          ? 'Say in words what is wrong.'
          : null;

  const takePhoto = async () => {
    const file = await pickPhoto();
    if (!file) return;
    setProblem(null);
    await shrink(file)
      .then((picture) => change((now) => ({ photos: [...now.photos, { photo: uuidv7(), ...picture }] })))
      .catch((error: Error) => setProblem(error.message));
  };
  const choosePlace = (next: string) => change({ place: next, part: null, code: null, tyre: null });
  const report = async () => {
    setAsked(true);
    if (missing || !entry || sent) return;
    setSent(true);
    const defect = uuidv7();
    await send(
      'report-defect',
      {
        defect,
        unit: unit.id,
        code: entry.code,
        place: {
          axle: position?.axle ?? null,
          side: position?.side ?? null,
          tyre: entry.where === 'tyre' ? (tyres.length > 1 ? tyre : (tyres[0] ?? null)) : null,
        },
        words: words.trim(),
      },
      `${unit.number}: ${entry.words}${position ? ` at ${place}` : ''}`,
    );
    // The report goes first: a photo points to it.
    for (const picture of photos)
      await send(
        'attach-photo',
        { ...picture, unit: unit.id, inspection: null, defect, key: null },
        `${unit.number}: photo of ${entry.words}`,
      );
    void clear();
    after();
  };

  return (
    <>
      {earlier && !sent ? (
        <View className="gap-2">
          <Notice>Begun earlier and not sent: it stands here as you left it.</Notice>
          <ConfirmButton label="Begin anew" ask="Throw this report away" hint={unit.number} onDo={() => void clear()} />
        </View>
      ) : null}
      <View className="gap-2">
        <Text level={2} bold size="lead">
          {position ? `At ${place}` : place === WHOLE ? 'The whole trailer' : 'Where is it?'}
        </Text>
        {place ? (
          <Pressable role="button" onPress={() => change({ place: null })} className="min-h-11 justify-center">
            <Text tone="act" bold>
              Change the place
            </Text>
          </Pressable>
        ) : (
          <>
            <RunningGear
              unit={unit}
              ends={endsOf(
                unit,
                unit.standing.map((each) => ({ ...each, value: null })),
              )}
              size="medium"
              onSelect={choosePlace}
            />
            <Button tall label="Not at a wheel: lamps, body, coupling, air …" onPress={() => choosePlace(WHOLE)} />
          </>
        )}
      </View>
      {place ? <Kinds entries={entries} part={part} chosen={code} onChange={change} /> : null}
      {needsTyre ? (
        <Choice
          label="Which tyre?"
          options={tyres.map((each) => ({ value: each, label: TYRE_WORDS[each] }))}
          value={tyre}
          onChange={(next) => change({ tyre: next })}
        />
      ) : null}
      {place ? (
        <TextField
          label={entry?.part === 'other' ? 'What is wrong?' : 'In your words (if it helps)'}
          value={words}
          onChangeText={(next) => change({ words: next })}
          multiline
          maxLength={500}
        />
      ) : null}
      {place ? (
        <View className="gap-2">
          <Button
            icon={Camera}
            label={photos.length ? `Another photo (${photos.length} taken)` : 'Add a photo'}
            onPress={() => void takePhoto()}
          />
          {photos.length ? (
            <PhotoStrip
              pictures={photos.map(({ photo, jpeg }) => ({
                id: photo,
                source: `data:image/jpeg;base64,${jpeg}`,
                words: 'goes with this report',
              }))}
            />
          ) : null}
          {problem ? <Notice look="stop">{problem}</Notice> : null}
        </View>
      ) : null}
      {asked && missing ? <Notice look="ask">{missing}</Notice> : null}
      {place ? <Button tall look="act" label="Send report" onPress={report} disabled={sent} /> : null}
    </>
  );
}

/** A defect in under a minute: touch the place, choose the kind, add words. */
export function Report() {
  const { unit: id, at, inspection } = useLocalSearchParams<{ unit: string; at?: string; inspection?: string }>();
  const query = useUnit(id);
  const home = inspection ? (`/inspect/${inspection}` as const) : (`/trailer/${id}` as const);
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
