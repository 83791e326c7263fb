import {
  type AirUnit,
  type DisplayUnits,
  INCH_UNITS,
  inUnits,
  judgedFigure,
  type PadUnit,
  readingText,
  type StepKind,
  textOf,
  withEntry,
} from '@zealous-axle/core';
import { type ComponentType, memo } from 'react';
import { Pressable, View } from 'react-native';
import { MarginRuler } from '../../../parts/MarginRuler';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { useStable } from '../../../parts/useStable';
import { VerdictBadge } from '../../../parts/VerdictMark';
import { currentField, fieldsOf, nextEmptyField } from '../fields';
import { type PadField, type PadProps, padOf } from '../kinds';
import { temperatureText, writtenLength } from '../written';
import { ChamberHere } from './ChamberHere';
import { FieldRow } from './FieldRow';
import { DISTANCE_WHOLES } from './keys';
import { LengthKeys, NumberKeys } from './LengthKeys';
import { NOT_NOTED } from './ReservoirPad';

type AnyUnit = PadUnit | AirUnit | DisplayUnits['temperature'];
const NEXT: Record<AnyUnit, AnyUnit> = {
  in: 'mm',
  mm: 'in',
  psi: 'bar',
  bar: 'kPa',
  kPa: 'psi',
  '°F': '°C',
  '°C': '°F',
};
const NAMES: Record<AnyUnit, string> = {
  in: 'inches',
  mm: 'millimeters',
  psi: 'psi',
  bar: 'bar',
  kPa: 'kilopascals',
  '°F': 'degrees Fahrenheit',
  '°C': 'degrees Celsius',
};

/** Goes on in the next unit, also in the middle of an inspection. */
const UnitSwitch = memo(function UnitSwitch({ unit, onChange }: { unit: AnyUnit; onChange: (unit: AnyUnit) => void }) {
  const other = NEXT[unit];
  return (
    <Pressable
      role="button"
      aria-label={`Measure in ${NAMES[other]}`}
      onPress={() => onChange(other)}
      className="min-h-11 min-w-16 items-center justify-center rounded-xl border-2 border-edge px-3"
    >
      <Text bold>{`${unit} → ${other}`}</Text>
    </Pressable>
  );
});

/** A figure as it stands on the pad, with its unit. */
function shownText({ draft, step }: PadProps, field: PadField): string {
  const typed = textOf(draft, step, field.id);
  if (typed === '') return '';
  if (field.keys === 'year') return typed;
  if (field.keys === 'pressure') return /[a-z]/i.test(typed) ? typed : `${typed} ${draft.airUnit}`;
  if (field.keys === 'temperature') return temperatureText(typed, draft.temperatureUnit);
  return writtenLength(field.keys, typed, draft.padUnit).replace(/(\d)\/32$/, '$1/32 in');
}

function Value({ pad, field }: { pad: PadProps; field: PadField }) {
  const { entered, opinion } = pad.judged;
  const text = shownText(pad, field);
  const gauge = pad.entry.gauge;
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Text reading bold size="huge" tone={text ? 'ink' : 'soft'} aria-live="polite">
          {text || '–'}
        </Text>
        {opinion ? <VerdictBadge verdict={opinion.verdict} /> : null}
      </View>
      {gauge ? <Text bold tone="act">{`From gauge ${gauge.serial}`}</Text> : null}
      {!entered.ok && entered.message ? <Text tone="out">{entered.message}</Text> : null}
    </View>
  );
}

/** Several figures: the value they make together, or what is wrong with them. */
function Made({ pad }: { pad: PadProps }) {
  const { entered, opinion } = pad.judged;
  if (!entered.ok && entered.message) return <Text tone="out">{entered.message}</Text>;
  if (!entered.ok)
    // Not whole yet, and past a limit already: that stays so.
    return opinion ? (
      <View className="flex-row flex-wrap items-center gap-3">
        <VerdictBadge verdict={opinion.verdict} />
        <Text className="min-w-0 shrink">Regardless of the other points.</Text>
      </View>
    ) : null;
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <Text reading bold size="title" aria-live="polite">
        {readingText(entered.value)}
      </Text>
      {opinion ? <VerdictBadge verdict={opinion.verdict} /> : null}
    </View>
  );
}

function Keys({ pad, field }: { pad: PadProps; field: PadField }) {
  const { draft, step, type, update } = pad;
  const typed = textOf(draft, step, field.id);
  const enter = (text: string) => {
    type(field.id, text);
    // A thirty-second is a whole reading in one tap: the next groove follows by itself.
    if (field.keys !== '32nds' || draft.padUnit !== 'in' || field.id === 'value') return;
    update((now) => withEntry(now, step, { field: nextEmptyField(now, step)?.id ?? field.id }));
  };
  if (field.keys === 'pressure' || field.keys === 'year') return <NumberKeys typed={typed} onType={enter} />;
  if (field.keys === 'temperature') return <NumberKeys signed typed={typed} onType={enter} />;
  const wholes = field.id === 'value' || field.id.startsWith('p') ? padOf(step.kind).wholes : DISTANCE_WHOLES;
  return (
    <LengthKeys
      keys={field.keys}
      wholes={wholes ?? DISTANCE_WHOLES}
      padUnit={draft.padUnit}
      typed={typed}
      onType={enter}
    />
  );
}

const sameChoices = (a: PadProps, b: PadProps): boolean =>
  a.step === b.step &&
  a.entry.note === b.entry.note &&
  a.draft.carried === b.draft.carried &&
  a.draft.unit === b.draft.unit;

/** What may be chosen beside the figures, drawn again only when a choice changes. */
const CHOICES = new Map<StepKind, ComponentType<PadProps>>();
function choicesOf(kind: StepKind): ComponentType<PadProps> | null {
  const { Options } = padOf(kind);
  if (!Options) return null;
  const known = CHOICES.get(kind) ?? memo(Options, sameChoices);
  CHOICES.set(kind, known);
  return known;
}

/** The unit a field is written in, where it can be another. */
function unitOf(
  field: PadField | null,
  { airUnit, padUnit, temperatureUnit = '°F' }: PadProps['draft'],
): AnyUnit | null {
  if (field?.keys === 'pressure') return airUnit;
  if (field?.keys === 'temperature') return temperatureUnit;
  return field?.keys === 'year' ? null : padUnit;
}

/** What changes of a draft that goes on in another unit. */
function inUnit({ reservoir }: PadProps['draft'], unit: AnyUnit): Partial<PadProps['draft']> {
  if (unit === 'in' || unit === 'mm') return { padUnit: unit };
  if (unit === '°F' || unit === '°C') return { temperatureUnit: unit };
  return { airUnit: unit, reservoir: reservoir === NOT_NOTED ? NOT_NOTED : '' };
}

/** A measurement in figures: one, or several fields after another. */
export function FigurePad(pad: PadProps) {
  const { draft, step, entry, judged, update } = pad;
  const fields = fieldsOf(draft, step);
  const field = currentField(draft, step);
  const choose = (id: string) => update((now) => withEntry(now, step, { field: id }));
  const switchUnit = useStable((unit: AnyUnit) =>
    update((now) => {
      // Figures that go along from step to step are in the unit left: they are asked for anew.
      const carried = { ...now.carried, texts: {} };
      return withEntry({ ...now, carried, ...inUnit(now, unit) }, step, { texts: {}, gauge: undefined });
    }),
  );
  const askReservoir = useStable(() => update((now) => ({ ...now, reservoir: '' })));
  const { unruled, reservoir } = padOf(step.kind);
  const Options = choicesOf(step.kind);
  const Fields = padOf(step.kind).fieldsPad?.({ draft, step, entry }) ?? null;
  const unit = unitOf(field, draft);
  const nm = judged.entered.ok ? judgedFigure(judged.entered.value) : null;
  const ruled = judged.limit && !unruled;
  return (
    <>
      {Fields ? (
        <Fields
          draft={draft}
          step={step}
          entry={entry}
          current={field?.id ?? null}
          textAt={(id) => textOf(draft, step, id)}
          onChoose={choose}
        />
      ) : fields.length > 1 ? (
        <FieldRow
          fields={fields}
          current={field?.id ?? null}
          textAt={(id) => shownText(pad, fields.find((each) => each.id === id) as PadField)}
          onChoose={choose}
        />
      ) : null}
      {field && fields.length === 1 ? (
        <Value pad={pad} field={field} />
      ) : step.kind === 'air-test' && entry.note.seconds ? null : (
        <Made pad={pad} />
      )}
      {ruled && judged.limit ? (
        <MarginRuler
          otherSide={judged.otherSide}
          limit={judged.limit}
          words={inUnits(judged.limit.value, { ...INCH_UNITS, length: draft.padUnit })}
          nm={nm}
          verdict={judged.opinion?.verdict ?? 'not-judged'}
        />
      ) : null}
      {judged.limit || unruled ? null : (
        <Notice look="ask">No limit known for this equipment. The reading is saved with no verdict.</Notice>
      )}
      {field ? <Keys pad={pad} field={field} /> : null}
      <View className="flex-row flex-wrap items-start justify-between gap-2">
        <View className="min-w-[8rem] flex-1 flex-row flex-wrap gap-x-4 gap-y-2">
          {reservoir ? (
            <>
              {draft.reservoir ? (
                <ReservoirLink reservoir={draft.reservoir} unit={draft.airUnit} onAsk={askReservoir} />
              ) : null}
              <ChamberHere {...pad} />
            </>
          ) : Options ? (
            <View className="min-w-0 flex-1">
              <Options {...pad} />
            </View>
          ) : null}
        </View>
        {field && unit ? <UnitSwitch unit={unit} onChange={switchUnit} /> : null}
      </View>
      {reservoir && Options ? <Options {...pad} /> : null}
    </>
  );
}

interface ReservoirLinkProps {
  reservoir: string;
  unit: AirUnit;
  onAsk: () => void;
}

/** The reservoir pressure the strokes take along; pressed, it is asked for again. */
const ReservoirLink = memo(function ReservoirLink({ reservoir, unit, onAsk }: ReservoirLinkProps) {
  return (
    <Pressable role="button" onPress={onAsk} className="min-h-11 justify-center">
      <Text bold tone="act">
        {reservoir === NOT_NOTED ? 'Pressure not noted' : `At ${reservoir} ${unit}`}
      </Text>
    </Pressable>
  );
});
