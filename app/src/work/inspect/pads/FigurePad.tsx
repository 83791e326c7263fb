import { judgedLength, readingWords } from '@zealous-axle/core';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { temperatureText, writtenLength } from '../../../data/compose';
import { type AirUnit, type PadUnit, withEntry } from '../../../data/draft';
import {
  currentField,
  DEFAULT_GROOVES,
  DEFAULT_PLACES,
  type Field,
  fieldsOf,
  nextEmptyField,
  textOf,
} from '../../../data/fields';
import { MarginRuler } from '../../../parts/MarginRuler';
import { Notice } from '../../../parts/Notice';
import { T } from '../../../parts/T';
import { useStable } from '../../../parts/useStable';
import { VerdictBadge } from '../../../parts/VerdictMark';
import { FieldRow } from './FieldRow';
import { DISTANCE_WHOLES, WHOLES } from './keys';
import { LengthKeys, NumberKeys } from './LengthKeys';
import { Options } from './Options';
import type { PadProps } from './pad';
import { NOT_NOTED } from './ReservoirPad';
import { TreadGrid } from './TreadGrid';

const UnitSwitch = memo(function UnitSwitch({
  padUnit,
  onChange,
}: {
  padUnit: PadUnit;
  onChange: (unit: PadUnit) => void;
}) {
  const other: PadUnit = padUnit === 'in' ? 'mm' : 'in';
  return (
    <Pressable
      role="button"
      aria-label={`Measure in ${other === 'mm' ? 'millimetres' : 'inches'}`}
      onPress={() => onChange(other)}
      className="min-h-11 min-w-16 items-center justify-center rounded-xl border-2 border-edge px-3"
    >
      <T bold>{`${padUnit} → ${other}`}</T>
    </Pressable>
  );
});

/** A figure as it stands on the pad, with its unit. */
function shownText({ draft, step }: PadProps, field: Field): string {
  const typed = textOf(draft, step, field.id);
  if (typed === '') return '';
  if (field.keys === 'pressure') return /[a-z]/i.test(typed) ? typed : `${typed} ${draft.airUnit}`;
  if (field.keys === 'temperature') return temperatureText(typed, draft.temperatureUnit);
  return writtenLength(field.keys, typed, draft.padUnit).replace(/(\d)\/32$/, '$1/32 in');
}

function Value({ pad, field }: { pad: PadProps; field: Field }) {
  const { entered, opinion } = pad.judged;
  const text = shownText(pad, field);
  const gauge = pad.entry.gauge;
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <T reading bold size="huge" tone={text ? 'ink' : 'soft'} aria-live="polite">
          {text || '–'}
        </T>
        {opinion ? <VerdictBadge verdict={opinion.verdict} /> : null}
      </View>
      {gauge ? <T bold tone="act">{`From gauge ${gauge.serial}`}</T> : null}
      {!entered.ok && entered.message ? <T tone="out">{entered.message}</T> : null}
    </View>
  );
}

/** Several figures: the value they make together, or what is wrong with them. */
function Made({ pad }: { pad: PadProps }) {
  const { entered, opinion } = pad.judged;
  if (!entered.ok) return entered.message ? <T tone="out">{entered.message}</T> : null;
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <T reading bold size="title" aria-live="polite">
        {readingWords(entered.value)}
      </T>
      {opinion ? <VerdictBadge verdict={opinion.verdict} /> : null}
    </View>
  );
}

function Keys({ pad, field }: { pad: PadProps; field: Field }) {
  const { draft, step, type, update } = pad;
  const typed = textOf(draft, step, field.id);
  const enter = (text: string) => {
    type(field.id, text);
    // A thirty-second is a whole reading in one tap: the next groove follows by itself.
    if (field.keys !== '32nds' || draft.padUnit !== 'in' || field.id === 'value') return;
    update((now) => withEntry(now, step, { field: nextEmptyField(now, step)?.id ?? field.id }));
  };
  if (field.keys === 'pressure') return <NumberKeys typed={typed} onType={enter} />;
  if (field.keys === 'temperature') return <NumberKeys signed typed={typed} onType={enter} />;
  const wholes = field.id === 'value' || field.id.startsWith('p') ? WHOLES[step.kind] : DISTANCE_WHOLES;
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

/** A measurement in figures: one, or several fields after another. */
export function FigurePad(pad: PadProps) {
  const { draft, step, entry, judged, update } = pad;
  const fields = fieldsOf(draft, step);
  const field = currentField(draft, step);
  const choose = (id: string) => update((now) => withEntry(now, step, { field: id }));
  const switchUnit = useStable((padUnit: PadUnit) =>
    update((now) => withEntry({ ...now, padUnit }, step, { texts: {}, gauge: undefined })),
  );
  const askReservoir = useStable(() => update((now) => ({ ...now, reservoir: '' })));
  const grid = step.kind === 'tread' && entry.note.several;
  const lengths = field && field.keys !== 'pressure' && field.keys !== 'temperature';
  const nm = judged.entered.ok ? judgedLength(judged.entered.value) : null;
  const ruled = judged.limit && step.kind !== 'air-test' && step.kind !== 'dual';
  return (
    <>
      {grid ? (
        <TreadGrid
          places={entry.note.places ?? DEFAULT_PLACES}
          grooves={entry.note.grooves ?? DEFAULT_GROOVES}
          current={field?.id ?? null}
          textAt={(id) => textOf(draft, step, id)}
          onChoose={choose}
        />
      ) : fields.length > 1 ? (
        <FieldRow
          fields={fields}
          current={field?.id ?? null}
          textAt={(id) => shownText(pad, fields.find((each) => each.id === id) as Field)}
          onChoose={choose}
        />
      ) : null}
      {field && fields.length === 1 ? (
        <Value pad={pad} field={field} />
      ) : step.kind === 'air-test' && entry.note.seconds ? null : (
        <Made pad={pad} />
      )}
      {ruled && judged.limit ? (
        <MarginRuler limit={judged.limit} nm={nm} verdict={judged.opinion?.verdict ?? 'not-judged'} />
      ) : null}
      {judged.limit || step.kind === 'pressure' || step.kind === 'dual' || step.kind === 'air-test' ? null : (
        <Notice look="ask">No limit is known for this equipment: the reading is kept, and gives no verdict.</Notice>
      )}
      {field ? <Keys pad={pad} field={field} /> : null}
      <View className="flex-row items-center justify-between gap-2">
        {step.kind === 'stroke-applied' ? (
          <ReservoirLink reservoir={draft.reservoir} unit={draft.airUnit} onAsk={askReservoir} />
        ) : (
          <View />
        )}
        {lengths ? <UnitSwitch padUnit={draft.padUnit} onChange={switchUnit} /> : null}
      </View>
      <Options {...pad} />
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
      <T bold tone="act">
        {reservoir === NOT_NOTED ? 'Pressure not noted' : `At ${reservoir} ${unit}`}
      </T>
    </Pressable>
  );
});
