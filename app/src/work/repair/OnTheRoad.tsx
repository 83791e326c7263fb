import { useQuery } from '@tanstack/react-query';
import {
  bookIdOf,
  COMMANDS,
  COST_WORDS,
  type DefectView,
  defectWords,
  isOpenDefect,
  type Road,
  type RoadCall,
  type RoadCosts,
  type RoadState,
  type RoadWay,
  roadCostsSchema,
  roadWays,
  severityOf,
  type UnitPage,
} from '@zealous-axle/core';
import { router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { minutesWords } from '../../look/minutes';
import { moneyText } from '../../look/money';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { PhotoStrip } from '../../parts/PhotoStrip';
import { goBack, Screen } from '../../parts/Screen';
import { Stepper } from '../../parts/Stepper';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { call } from '../../server/client';
import { useUnit } from '../../server/queries';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { NoteRoad } from './NoteRoad';

const QUARTER = 15;
const COSTS = Object.keys(COST_WORDS) as (keyof RoadCosts)[];
const costText = z.string().regex(/^\d{1,6}([.,]\d{2})?$/, 'enter an amount like 185.00');
const costsForm = z.object({
  callOut: costText,
  serviceHour: costText,
  lostHour: costText,
  fine: costText,
  points: z.string().regex(/^\d{1,3}$/, 'enter a whole number'),
});

/** The figures of this shop: nothing is compared before somebody wrote them. */
function Costs({ costs, onClose }: { costs: RoadCosts | null; onClose: () => void }) {
  const first = (name: keyof RoadCosts) =>
    costs ? (name === 'points' ? String(costs.points) : moneyText(costs[name])) : '';
  const { control, handleSubmit, formState } = useZodForm(costsForm, {
    callOut: first('callOut'),
    serviceHour: first('serviceHour'),
    lostHour: first('lostHour'),
    fine: first('fine'),
    points: first('points'),
  });
  const save = handleSubmit((written) => {
    const cents = (text: string) => Math.round(Number(text.replace(',', '.')) * 100);
    const { points, ...amounts } = written;
    const read = roadCostsSchema.parse({
      ...Object.fromEntries(Object.entries(amounts).map(([name, text]) => [name, cents(text)])),
      points: Number(points),
    });
    onClose();
    void send('set-road-costs', { costs: read }, 'Roadside figures');
  });
  return (
    <Drawer title="Roadside figures" onClose={onClose}>
      {COSTS.map((name) => (
        <Field key={name} control={control} name={name} label={COST_WORDS[name]} inputMode="decimal" maxLength={9} />
      ))}
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}

function Way({ title, way, points }: { title: string; way: RoadWay; points?: number }) {
  return (
    <View className="min-w-[9rem] flex-1 gap-1 rounded-xl border border-line bg-card p-3">
      <Text bold>{title}</Text>
      {way.lines.map(({ cost, minutes, sum }) => (
        <Text key={cost} size="small" tone="soft">
          {`${COST_WORDS[cost]}${minutes === null ? '' : `, ${minutesWords(minutes)}`}: ${moneyText(sum)}`}
        </Text>
      ))}
      <Text reading bold>
        {moneyText(way.sum)}
      </Text>
      {points ? <Text size="small" tone="out">{`and ${points} points`}</Text> : null}
    </View>
  );
}

/** Each way's sum beside the others: the person decides. Driving is no way for a unit that is held. */
function Compare({ costs, held }: { costs: RoadCosts; held: boolean }) {
  const [quarters, setQuarters] = useState({ untilService: 4, work: 4, toShop: 6 });
  const minutes = (name: keyof typeof quarters) => quarters[name] * QUARTER;
  const ways = roadWays(costs, {
    untilService: minutes('untilService'),
    work: minutes('work'),
    toShop: minutes('toShop'),
  });
  const asked = [
    ['untilService', 'Wait for service'],
    ['work', 'Its work'],
    ['toShop', 'To the shop or the named place'],
  ] as const;
  return (
    <>
      {asked.map(([name, label]) => (
        <Stepper
          key={name}
          label={`${label}: ${minutesWords(minutes(name))}`}
          value={quarters[name]}
          least={0}
          most={96}
          onChange={(next) => setQuarters({ ...quarters, [name]: next })}
        />
      ))}
      <View className="flex-row flex-wrap gap-2">
        <Way title="Road service" way={ways.service} />
        {held ? null : (
          <>
            <Way title="Drive there" way={ways.drive} />
            <Way title="Drive, and an inspector finds it" way={ways.found} points={costs.points} />
          </>
        )}
      </View>
      {held ? <Text tone="soft">On hold: driving is not an option, so it has no cost here.</Text> : null}
    </>
  );
}

const STATE_WORDS: Record<RoadState, string> = {
  asked: 'not answered yet',
  accepted: 'agreed, on its way',
  arrived: 'at work',
  done: 'has reported back',
  refused: 'refused',
  cancelled: 'no longer needed',
};

/** What still waits for an answer, and whom to call: a call for help is not lost in a list. */
function NotAnswered({ call, phone }: { call: RoadCall; phone: string }) {
  if (call.state !== 'asked') return null;
  const number = phone ? ` Call ${phone}.` : ' No road service number is on file. The shop knows who to call.';
  if (call.way === 'none')
    return <Notice look="stop">{`Only the shop was told: no road service is connected.${number}`}</Notice>;
  if (call.way === 'made-up')
    return <Notice look="ask">Made up: a stand-in plays the road service. No one was called.</Notice>;
  if (call.problem)
    return (
      <Notice look="stop">
        {`The road service could not be told${call.givenUp ? '' : ' yet'}: ${call.problem}.${number}`}
      </Notice>
    );
  return <Text>{`Told the road service. It has not answered.${number}`}</Text>;
}

function Call({ call, unit, road }: { call: RoadCall; unit: UnitPage; road: Road }) {
  const { fleet } = useSession();
  const may = useMaySend('take-road-report');
  const [taken, setTaken] = useState(false);
  const [noting, setNoting] = useState(false);
  const { id, place, asked, state, eta, words, told, report, photos, job } = call;
  const madeUp = told?.source === 'made-up' ? ' (made up)' : '';
  const by = told ? (told.by ?? (told.source === 'protocol' ? 'the road service' : 'a stand-in')) : '';
  const over = state === 'refused' || state === 'cancelled' || job !== null;
  return (
    <View className="gap-2 border-t border-line py-2">
      <Text bold>{`${place}: ${STATE_WORDS[state]}${madeUp}`}</Text>
      <Text size="small" tone="soft">
        {`Asked by ${asked.by}, ${clock(asked.at, fleet.zone)}${eta ? `. There ${clock(eta, fleet.zone)}${madeUp}` : ''}${told ? `. Told by ${by}, ${clock(told.at, fleet.zone)}` : ''}`}
      </Text>
      {words ? <Text>{words}</Text> : null}
      <NotAnswered call={call} phone={road.phone} />
      {report ? (
        <Text>{`${report.done}. ${report.parts}. ${minutesWords(report.minutes)}, ${moneyText(report.invoice)}${madeUp}`}</Text>
      ) : null}
      {photos.length ? (
        <PhotoStrip
          pictures={photos.map((photo, nth) => ({
            id: photo,
            source: `/api/v1/photos/${photo}`,
            words: `${nth + 1} of ${photos.length}, road service at ${place}`,
          }))}
        />
      ) : null}
      {job ? <Button label="Open its job" onPress={() => router.navigate(`/job/${job}`)} /> : null}
      {report && !job && may ? (
        <Button
          look="act"
          label="Create a job from its report"
          disabled={taken}
          onPress={() => {
            setTaken(true);
            void send(
              'take-road-report',
              { call: id, unit: unit.id, job: uuidv7() },
              `${unit.number}: report of the road service`,
            );
          }}
        />
      ) : null}
      {over ? null : <Button label="Record what was agreed or done…" hint={place} onPress={() => setNoting(true)} />}
      {noting ? <NoteRoad call={call} unit={unit} onClose={() => setNoting(false)} /> : null}
    </View>
  );
}

function Calls({ road, unit }: { road: Road; unit: UnitPage }) {
  return road.calls.map((call) => <Call key={call.id} call={call} unit={unit} road={road} />);
}

/** Where it is driven to, kept with the report: said by the person who decides it. */
function DrivesTo({ unit, defect, onClose }: { unit: UnitPage; defect: DefectView; onClose: () => void }) {
  return (
    <Drawer title="It drives to a named place" onClose={onClose}>
      <Text>You decide this, not the program. It is added to the report with your name and the time.</Text>
      <WordsForm
        short
        label="Where is it now, and where is it driving to?"
        words={COMMANDS['ask-road'].body.shape.place}
        act="Tell the shop"
        onWords={(where) => {
          onClose();
          void send(
            'add-to-report',
            { defect: defect.id, note: uuidv7(), words: `On the road: ${where}` },
            `${unit.number}: drives to a named place`,
          );
        }}
      />
    </Drawer>
  );
}

function Body({ unit, road }: { unit: UnitPage; road: Road }) {
  const { fleet } = useSession();
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const [which, setWhich] = useState<string | null>(open[0]?.id ?? null);
  const [asking, setAsking] = useState<'service' | 'drive' | 'costs' | null>(null);
  const mayCosts = useMaySend('set-road-costs');
  const chosen = open.find(({ id }) => id === which);
  const rule = chosen ? severityOf(chosen.code, bookIdOf(chosen.unit.features, fleet)) : null;
  const nameOf = (defect: DefectView) => `${defectPlace(defect)}: ${defectWords(defect.code)}`;
  return (
    <>
      <Card title="May it move?">
        {unit.holds.length ? (
          <Notice look="stop">{`On hold. Do not move it until it is released. ${rule ? `${rule.rule}.` : ''}`}</Notice>
        ) : (
          <Text>Not on hold. Local law and the maker’s manual decide whether it may drive to a place of repair.</Text>
        )}
        {open.length ? (
          <Choice
            stacked
            label="What is wrong"
            options={open.map((each) => ({ value: each.id, label: nameOf(each) }))}
            value={which}
            onChange={setWhich}
          />
        ) : (
          <Text tone="soft">No open report. Report it first.</Text>
        )}
        {chosen ? (
          <>
            {road.way === 'none' ? (
              <Text>
                {`No road service connected: asking tells only the shop.${road.phone ? ` Call ${road.phone} yourself, and record here what was agreed.` : ''}`}
              </Text>
            ) : road.way === 'made-up' ? (
              <Notice look="ask">Made up: a stand-in plays the road service. No one is called.</Notice>
            ) : null}
            <Button tall look="act" label="Ask for road service" onPress={() => setAsking('service')} />
          </>
        ) : null}
        {chosen && unit.holds.length === 0 ? (
          <Button label="It drives to a named place…" onPress={() => setAsking('drive')} />
        ) : null}
        {chosen?.added.map(({ words, by, at }) => (
          <Text key={at} size="small">{`${words} – ${by}, ${clock(at, fleet.zone)}`}</Text>
        ))}
      </Card>
      {road.calls.length ? (
        <Card title="Road service">
          <Calls road={road} unit={unit} />
        </Card>
      ) : null}
      <Card title="Cost of each option" note="From the shop’s own figures. You decide.">
        {road.costs ? (
          <Compare costs={road.costs} held={unit.holds.length > 0} />
        ) : (
          <Text tone="soft">The shop has not entered its figures yet.</Text>
        )}
        {mayCosts ? <Button label="The shop’s figures" onPress={() => setAsking('costs')} /> : null}
      </Card>
      {asking === 'costs' ? <Costs costs={road.costs} onClose={() => setAsking(null)} /> : null}
      {asking === 'drive' && chosen ? <DrivesTo unit={unit} defect={chosen} onClose={() => setAsking(null)} /> : null}
      {asking === 'service' && chosen ? (
        <Drawer title="Road service" onClose={() => setAsking(null)}>
          <WordsForm
            short
            label="Where is it?"
            words={COMMANDS['ask-road'].body.shape.place}
            act="Ask for it"
            onWords={(place) => {
              setAsking(null);
              void send(
                'ask-road',
                { call: uuidv7(), unit: unit.id, defect: chosen.id, place },
                `${unit.number}: road service asked`,
              );
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}

/** On the road with something wrong: whether it may move, what each way costs, and the road service. */
export function OnTheRoad() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const unit = useUnit(id);
  const road = useQuery({ queryKey: ['unit', id, 'road'], queryFn: () => call<Road>('GET', `/units/${id}/road`) });
  return (
    <Screen narrow title="On the road" under={unit.data?.number} back={goBack(`/trailer/${id}`)}>
      <Loaded query={unit}>
        {(page) => <Loaded query={road}>{(known) => <Body unit={page} road={known} />}</Loaded>}
      </Loaded>
    </Screen>
  );
}
