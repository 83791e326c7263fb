import { useQueries } from '@tanstack/react-query';
import {
  COMMANDS,
  formatDistance,
  isOpenDefect,
  type Meter,
  meterDoubt,
  must,
  parseDistance,
  type UnitPage,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { DefectRow } from '../../parts/DefectRow';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { unitQuery, useUnit } from '../../server/queries';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { InspectButton } from '../inspection/InspectButton';
import { Certified } from '../repair/Certified';
import { AddToReport } from '../report/AddToReport';
import { ExpectedBack } from './ExpectedBack';

const WHEN = [
  { value: 'before', label: 'Before the trip' },
  { value: 'after', label: 'After the trip' },
] as const;
type When = (typeof WHEN)[number]['value'];

const meterForm = z.object({ value: COMMANDS['record-meter'].body.shape.value });

/** The odometer or hub meter of a unit: asked about again where it runs backwards or leaps. */
function MeterField({ unit }: { unit: UnitPage }) {
  const { fleet, person } = useSession();
  const { distance } = person.units ?? fleet.units;
  const { control, handleSubmit, watch, reset, formState } = useZodForm(meterForm, { value: '' });
  const [kept, setKept] = useState<Meter | null>(null);
  const last = kept ?? unit.meter;
  const value = watch('value');
  const doubt = parseDistance(value).ok ? meterDoubt(last, value, new Date().toISOString()) : null;
  const keep = handleSubmit((written) => {
    void send(
      'record-meter',
      { meter: uuidv7(), unit: unit.id, ...written },
      `${unit.number}: meter at ${written.value}`,
    );
    setKept({ value: written.value, at: new Date().toISOString(), by: person.name });
    reset({ value: '' });
  });
  return (
    <View className="gap-2">
      {last ? (
        <Text size="small" tone="soft">
          {`${formatDistance(must(parseDistance(last.value)), distance)}, ${clock(last.at, fleet.zone)}, ${last.by}`}
        </Text>
      ) : null}
      <Field control={control} name="value" label="Odometer or hub meter" placeholder={`48,210 ${distance}`} />
      {doubt ? <Notice look="ask">{doubt}</Notice> : null}
      {value ? (
        <Button
          label={doubt ? 'It stands so' : 'Keep it'}
          hint={`meter of ${unit.number}`}
          disabled={!formState.isValid}
          onPress={() => void keep()}
        />
      ) : null}
    </View>
  );
}

/** One unit of the trip: what was reported and repaired, and what may be said of it now. */
function UnitCard({ unit, when }: { unit: UnitPage; when: When }) {
  const { fleet } = useSession();
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const { entries } = useOutbox();
  const unsent = entries.filter(
    ({ name, body }) => name === 'report-defect' && (body as { unit?: string }).unit === unit.id,
  ).length;
  const certified = unit.defects.filter(({ state }) => state === 'certified');
  return (
    <>
      <Card title={`${unit.number}  ${unit.body}`}>
        {unit.holds.length ? (
          <Notice look="stop">{`Held: do not move it, call the shop. ${unit.holds.map(({ reason }) => reason).join('. ')}`}</Notice>
        ) : open.length ? (
          <Notice look="ask">It may go: the shop knows of what is listed here.</Notice>
        ) : (
          <Text tone="soft">Nothing is open on it.</Text>
        )}
        <ExpectedBack unit={unit.id} number={unit.number} />
        {unsent ? (
          <Notice look="stop">
            {`${unsent === 1 ? 'A report' : `${unsent} reports`} of it wait on this device: the shop does not know yet. Call it where it matters.`}
          </Notice>
        ) : null}
        {unit.nothingFound ? (
          <Text
            size="small"
            tone="soft"
          >{`Last walk that found nothing: ${unit.nothingFound.by}, ${clock(unit.nothingFound.at, fleet.zone)}`}</Text>
        ) : null}
        {open.map((defect) => (
          <DefectRow key={defect.id} defect={defect}>
            <AddToReport defect={defect} />
          </DefectRow>
        ))}
        {when === 'after' ? <MeterField unit={unit} /> : null}
        <View className="flex-row flex-wrap gap-2">
          <Button
            className="max-w-full grow"
            label="Report a defect"
            hint={unit.number}
            onPress={() => router.navigate(`/report/${unit.id}`)}
          />
          <InspectButton unit={unit} />
          <Button
            className="max-w-full grow"
            label="On the road …"
            hint={unit.number}
            onPress={() => router.navigate(`/road/${unit.id}`)}
          />
        </View>
      </Card>
      <Certified defects={certified} />
    </>
  );
}

function Units({ ids, when }: { ids: readonly string[]; when: When }) {
  const queries = useQueries({ queries: ids.map(unitQuery) });
  const units = queries.flatMap(({ data }) => data ?? []);
  const mayReport = useMaySend('report-nothing');
  const [sent, setSent] = useState(false);
  const numbers = units.map(({ number }) => number).join(', ');
  const sign = () => {
    if (sent) return;
    setSent(true);
    for (const unit of units)
      void send('report-nothing', { report: uuidv7(), unit: unit.id }, `${unit.number}: walked round, nothing found`);
  };
  return (
    <>
      {queries.some(({ data, error }) => !data && error) ? (
        <Notice look="stop">A unit could not be read: this device has not seen it before.</Notice>
      ) : null}
      {units.map((unit) => (
        <UnitCard key={unit.id} unit={unit} when={when} />
      ))}
      {mayReport && units.length === ids.length ? (
        <Button
          tall
          look="act"
          label={sent ? 'Signed' : `Sign: nothing found on ${numbers}`}
          disabled={sent}
          onPress={sign}
        />
      ) : null}
    </>
  );
}

/** Before and after a trip, of everything that runs together: the last reports, the repairs to read, the walk, the meters. */
export function Trip() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const query = useUnit(id);
  const [when, setWhen] = useState<When>('before');
  return (
    <Screen
      narrow
      title={WHEN.find(({ value }) => value === when)?.label ?? ''}
      under={query.data?.combination.map(({ number }) => number).join(' – ') || query.data?.number}
      back={goBack(`/trailer/${id}`)}
    >
      <Choice label="When" hideLabel options={WHEN} value={when} onChange={setWhen} />
      <Loaded query={query}>
        {(unit) => (
          <Units ids={unit.combination.length ? unit.combination.map((each) => each.id) : [unit.id]} when={when} />
        )}
      </Loaded>
    </Screen>
  );
}
