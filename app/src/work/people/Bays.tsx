import { useQuery } from '@tanstack/react-query';
import {
  BAY_KINDS,
  type BayView,
  type BayWork,
  bayWorkSchema,
  COMMANDS,
  type SetUp as Has,
  type Holidays,
  holidaysSchema,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Drawer } from '../../parts/Drawer';
import { sentence } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { Toggle } from '../../parts/Toggle';
import { call } from '../../server/client';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { AwayDays } from './AwayDays';
import { Departures } from './Departures';
import { WeeklyHours } from './WeeklyHours';
import { shiftWords } from './words';

const nameSchema = COMMANDS['save-bay'].body.shape.name;

/** One bay: its name, what it is fit for, when it is open and when it is out of use. */
function EditBay({ bay, onClose }: { bay: BayView; onClose: () => void }) {
  const [name, setName] = useState(bay.name);
  const [work, setWork] = useState<BayWork>({ kinds: bay.kinds, hours: bay.hours, closed: bay.closed });
  const change = (some: Partial<BayWork>) => setWork({ ...work, ...some });
  const read = bayWorkSchema.safeParse(work);
  const issues = read.error?.issues ?? [];
  const wrong = (...path: (string | number)[]) => {
    const issue = issues.find((each) => each.path.join('.') === path.join('.'));
    return issue ? sentence(issue.message) : null;
  };
  const named = nameSchema.safeParse(name);
  const save = () => {
    if (!read.success || !named.success) return;
    onClose();
    void send('save-bay', { bay: bay.id, name: named.data, work: read.data }, `Bay ${named.data}`);
  };
  return (
    <Drawer title={bay.name || 'A new bay'} onClose={onClose}>
      <TextField label="Name, like “Bay 1 – lift”" value={name} maxLength={40} onChangeText={setName} />
      <View className="gap-2">
        <Text bold>Can take</Text>
        <View className="flex-row flex-wrap gap-2">
          {BAY_KINDS.map((kind) => (
            <Toggle
              key={kind}
              label={kind}
              on={work.kinds.includes(kind)}
              onChange={(on) =>
                change({ kinds: on ? [...work.kinds, kind] : work.kinds.filter((each) => each !== kind) })
              }
            />
          ))}
        </View>
        {work.kinds.length ? null : <Text tone="soft">Nothing chosen: takes any job.</Text>}
      </View>
      <WeeklyHours
        title="Is open"
        one="span of hours"
        hours={work.hours}
        wrong={(index, end) => wrong('hours', index, end)}
        onChange={(hours) => change({ hours })}
      />
      {work.hours.length ? null : <Text tone="soft">No hours: open while anyone is working.</Text>}
      <AwayDays
        title="Out of use"
        act="Add days out of use"
        reason="out of use"
        days={work.closed}
        wrong={(index, field) => wrong('closed', index, field)}
        onChange={(closed) => change({ closed })}
      />
      <Button tall look="act" label="Save" disabled={!read.success || !named.success} onPress={save} />
    </Drawer>
  );
}

const bayLines = ({ kinds, hours, closed }: BayView): string[] => [
  kinds.length ? kinds.join(' · ') : 'takes whatever comes',
  hours.length ? hours.map(shiftWords).join(' · ') : 'open while anyone is working',
  ...closed.map(
    ({ from, until, reason }) =>
      `out of use ${from === until ? dayName(from) : `${dayName(from)} to ${dayName(until)}`}: ${reason}`,
  ),
];

function EditHolidays({ version, holidays, onClose }: { version: number; holidays: Holidays; onClose: () => void }) {
  const [days, setDays] = useState(holidays);
  const read = holidaysSchema.safeParse(days);
  const wrong = (index: number, field: string) => {
    const issue = read.error?.issues.find(({ path }) => path[0] === index && path[1] === field);
    return issue ? sentence(issue.message) : null;
  };
  const whole = read.error?.issues.find(({ path }) => path.length === 0);
  const change = (at: number, some: Partial<Holidays[number]>) =>
    setDays(days.map((each, index) => (index === at ? { ...each, ...some } : each)));
  const save = () => {
    if (!read.success) return;
    onClose();
    void send(
      'set-holidays',
      { version, holidays: [...read.data].sort((a, b) => (a.day < b.day ? -1 : 1)) },
      'Days the shop is closed',
    );
  };
  return (
    <Drawer title="Days the shop is closed" onClose={onClose}>
      {days.map((each, index) => (
        <View key={index} className="gap-2 border-t border-line pt-2">
          <View className="flex-row gap-2">
            <View className="flex-1">
              <TextField
                label="Day"
                placeholder="2027-06-30"
                value={each.day}
                error={wrong(index, 'day')}
                maxLength={10}
                onChangeText={(day) => change(index, { day: day.trim() })}
              />
            </View>
            <View className="flex-1">
              <TextField
                label="What day it is"
                value={each.name}
                error={wrong(index, 'name')}
                maxLength={60}
                onChangeText={(name) => change(index, { name })}
              />
            </View>
          </View>
          <Button
            look="bare"
            label="Remove this day"
            hint={each.day}
            onPress={() => setDays(days.filter((_, at) => at !== index))}
          />
        </View>
      ))}
      {whole ? <Text tone="out">{sentence(whole.message)}</Text> : null}
      <Button label="Add a day" onPress={() => setDays([...days, { day: '', name: '' }])} />
      <Button tall look="act" label="Save" disabled={!read.success} onPress={save} />
    </Drawer>
  );
}

/** The bays: what each is fit for and when; and the days on which nobody works. The plan follows from them. */
export function Bays() {
  const { fleet } = useSession();
  const query = useQuery({ queryKey: ['set-up'], queryFn: () => call<Has>('GET', '/set-up') });
  const may = useMaySend('save-bay');
  const [open, setOpen] = useState<BayView | null>(null);
  const [closed, setClosed] = useState(false);
  return (
    <Screen narrow title="Bays and days" under={fleet.name} back={goBack('/set-up')}>
      <Loaded query={query}>
        {({ bays, holidays, version }) => (
          <>
            <Card title="Bays" note="What each bay can take, and when. The plan uses this.">
              {bays.length ? null : <Text tone="soft">None yet. Without a bay no job can be scheduled.</Text>}
              {bays.map((bay) => (
                <View key={bay.id} className="min-h-14 flex-row items-center gap-2 border-t border-line pt-2">
                  <View className="min-w-0 flex-1">
                    <Text bold>{bay.name}</Text>
                    {bayLines(bay).map((line) => (
                      <Text key={line} size="small" tone="soft">
                        {line}
                      </Text>
                    ))}
                  </View>
                  {may ? <Button look="bare" label="Change" hint={bay.name} onPress={() => setOpen(bay)} /> : null}
                </View>
              ))}
              {may ? (
                <Button
                  label="Add a bay"
                  onPress={() =>
                    setOpen({ id: uuidv7(), name: '', rank: bays.length, kinds: [], hours: [], closed: [] })
                  }
                />
              ) : null}
            </Card>
            <Card title="Days the shop is closed">
              {holidays.length ? null : <Text tone="soft">None entered.</Text>}
              {holidays.map(({ day, name }) => (
                <Text key={day}>{`${dayName(day)} ${day.slice(0, 4)}, ${name}`}</Text>
              ))}
              {may ? <Button label="Change these days" onPress={() => setClosed(true)} /> : null}
            </Card>
            {may ? <Departures /> : null}
            {open ? <EditBay bay={open} onClose={() => setOpen(null)} /> : null}
            {closed ? <EditHolidays version={version} holidays={holidays} onClose={() => setClosed(false)} /> : null}
          </>
        )}
      </Loaded>
    </Screen>
  );
}
