import { useQuery } from '@tanstack/react-query';
import {
  OUTSIDE_WAYS,
  type OutsideForm,
  type OutsideList,
  type OutsideThing,
  type OutsideView,
  type OutsideWay,
  outsideFormSchema,
} from '@zealous-axle/core';
import { useState } from 'react';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChoiceField } from '../../parts/ChoiceField';
import { DrawnSecret } from '../../parts/DrawnSecret';
import { Field } from '../../parts/Field';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { newSecret } from '../../session/new-secret';
import { useSession } from '../../session/session';

const NAMES: Record<OutsideThing, string> = {
  'road-service': 'Road service',
  dispatch: 'Dispatch',
  gauges: 'Electronic gauges',
};
/** What is so while nothing is connected. */
const WITHOUT: Record<OutsideThing, string> = {
  'road-service': 'A call for help goes only to the shop. The driver sees this number and records what was agreed.',
  dispatch: 'Departures and meters are typed by hand, on each unit’s page.',
  gauges: 'Figures are typed by hand.',
};
const PROTOCOL: Record<OutsideThing, string> = {
  'road-service': 'docs/road-service-protocol.md',
  dispatch: 'docs/dispatch-protocol.md',
  gauges: 'docs/gauge-protocol.md',
};
const WAY_WORDS: Record<OutsideWay, { label: string; note: string }> = {
  none: { label: 'Not set up', note: 'Not connected' },
  protocol: { label: 'Connected', note: 'Connected by the open protocol, signed by both sides' },
  'made-up': { label: 'Stand-in, for trying', note: 'Everything it sends is made up and marked so' },
};
const WAYS = OUTSIDE_WAYS.map((value) => ({ value, ...WAY_WORDS[value] }));

function Thing({ view, fleet }: { view: OutsideView; fleet: string }) {
  const { fleet: ours } = useSession();
  const may = useMaySend('set-outside');
  const { thing, version, signed, set, problem, ...form } = view;
  const [secret, setSecret] = useState<string | null>(null);
  const { control, handleSubmit, watch, formState } = useZodForm(outsideFormSchema, form);
  const way = watch('way');
  const save = (fresh: boolean) =>
    handleSubmit((written: OutsideForm) => {
      const drawn = fresh ? newSecret() : null;
      setSecret(drawn);
      void send(
        'set-outside',
        { thing, version, form: written, ...(drawn ? { secret: drawn } : {}) },
        `${NAMES[thing]}: ${WAY_WORDS[written.way].label.toLowerCase()}`,
      );
    })();
  const connects = way === 'protocol';
  return (
    <Card
      title={NAMES[thing]}
      note={set ? `${WAY_WORDS[view.way].label}, ${set.by}, ${clock(set.at, ours.zone)}` : 'Not set up'}
    >
      {view.way === 'none' ? <Text>{WITHOUT[thing]}</Text> : null}
      {view.way === 'made-up' ? (
        <Notice look="ask">A stand-in: everything it sends is made up and marked so.</Notice>
      ) : null}
      {problem ? <Notice look="stop">{`Could not be reached: ${problem}.`}</Notice> : null}
      {may ? (
        <>
          <ChoiceField control={control} name="way" label="How it is used" options={WAYS} />
          {thing === 'road-service' ? (
            <Field control={control} name="phone" label="Number to call" inputMode="tel" maxLength={40} />
          ) : null}
          {connects ? (
            <>
              <Text size="small">{`Both sides speak ${PROTOCOL[thing]}.`}</Text>
              {thing === 'gauges' ? null : (
                <Field
                  control={control}
                  name="url"
                  label="Its address, if it has one (optional)"
                  placeholder="https://"
                  maxLength={300}
                />
              )}
            </>
          ) : null}
          <Button
            tall
            look="act"
            label="Save"
            hint={NAMES[thing]}
            disabled={!formState.isValid}
            onPress={() => void save(connects && !signed)}
          />
          {connects && signed ? (
            <Button label="Create a new secret" hint={NAMES[thing]} onPress={() => void save(true)} />
          ) : null}
          {secret ? (
            <DrawnSecret
              secret={secret}
              by="set-outside"
              under={`It tells us at ${location.origin}/api/v1/outside/${fleet}/${thing}`}
            />
          ) : null}
        </>
      ) : null}
    </Card>
  );
}

/** What is outside of the program, and how this fleet uses each of it: connected, played by a stand-in, or not at all. */
export function Outside() {
  const query = useQuery({ queryKey: ['outside'], queryFn: () => call<OutsideList>('GET', '/outside') });
  return (
    <Screen narrow title="Outside" under="Road service, dispatch, gauges" back={goBack('/set-up')}>
      <Loaded query={query}>
        {({ fleet, things }) =>
          things.map((view) => <Thing key={`${view.thing} ${view.version}`} view={view} fleet={fleet} />)
        }
      </Loaded>
    </Screen>
  );
}
