import { useQueries } from '@tanstack/react-query';
import { dayIn, isOpenDefect, type UnitPage } from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useOutbox } from '../../device/useOutbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { DefectRow } from '../../parts/DefectRow';
import { Loaded } from '../../parts/Loaded';
import { LookedList } from '../../parts/LookedList';
import { MeterField } from '../../parts/MeterField';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { unitQuery, useUnit } from '../../server/queries';
import { beside, useHere } from '../../session/here';
import { useSession } from '../../session/session';
import { useOutOfUse } from '../../session/standing';
import { AddToReport } from '../defects/AddToReport';
import { Certified } from '../defects/Certified';
import { PutRight } from '../defects/PutRight';
import { InspectButton } from '../inspection/InspectButton';
import { ExpectedBack } from './ExpectedBack';
import { BeforeSigning, BeforeUse, LastSigned, SignWalk } from './SignWalk';

const WHEN = [
  { value: 'before', label: 'Before the trip' },
  { value: 'after', label: 'After the trip' },
] as const;
type When = (typeof WHEN)[number]['value'];

/** What may be said of a unit before it moves: never more than is known of it. */
function TripState({ unit, open, outOfUse }: { unit: UnitPage; open: number; outOfUse: boolean }) {
  const { fleet } = useSession();
  const here = beside(useHere(unit), unit);
  const found = unit.holds.some(({ inspection }) => inspection?.open) ? ' Found, inspection still open.' : '';
  const reasons = unit.holds.map(({ reason }) => reason).join('. ');
  return (
    <>
      {unit.holds.length ? (
        <Notice look="stop">{`On hold. Do not move it; call the shop.${found} ${reasons}`}</Notice>
      ) : here.holds ? (
        <Notice look="stop">On hold for what was found here, not sent yet. Do not move it; call the shop.</Notice>
      ) : outOfUse ? (
        <Notice look="stop">Out of service by current readings. Do not move it; call the shop.</Notice>
      ) : open ? (
        <Notice look="ask">Not on hold. The shop has the defects below.</Notice>
      ) : (
        <Text>No open defects reported.</Text>
      )}
      <LookedList unit={unit} zone={fleet.zone} today={dayIn(fleet.zone, new Date())} />
    </>
  );
}

/** One unit of the trip: what was reported and repaired, and what may be said of it now. */
function UnitCard({ unit, when, outOfUse }: { unit: UnitPage; when: When; outOfUse: boolean }) {
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const { entries } = useOutbox();
  const unsent = entries.filter(
    ({ name, body }) => name === 'report-defect' && (body as { unit?: string }).unit === unit.id,
  ).length;
  const certified = unit.defects.filter(({ state }) => state === 'certified');
  return (
    <>
      <Card title={`${unit.number}  ${unit.body}`}>
        <TripState unit={unit} open={open.length} outOfUse={outOfUse} />
        <BeforeUse unit={unit} />
        <ExpectedBack unit={unit.id} number={unit.number} />
        {unsent ? (
          <Notice look="stop">
            {`${unsent === 1 ? 'A report' : `${unsent} reports`} not sent yet: the shop does not know. If it matters, call the shop.`}
          </Notice>
        ) : null}
        <LastSigned unit={unit} />
        {open.map((defect) => (
          <DefectRow key={defect.id} defect={defect}>
            <AddToReport defect={defect} />
            <PutRight defect={defect} />
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
            label="On the road…"
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
  const outOfUse = useOutOfUse(units);
  return (
    <>
      {queries.some(({ data, error }) => !data && error) ? (
        <Notice look="stop">One unit is not saved on this device.</Notice>
      ) : null}
      {units.map((unit) => (
        <UnitCard key={unit.id} unit={unit} when={when} outOfUse={outOfUse.has(unit.id)} />
      ))}
      {units.map((unit) => (
        <BeforeSigning key={unit.id} unit={unit} />
      ))}
      <SignWalk units={units} ids={ids} />
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
