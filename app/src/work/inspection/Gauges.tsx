import { GAUGE_KINDS, type GaugeKind, type OutsideWay } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { Slider } from '../../parts/Slider';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { gaugeWanted, useGauge, useGaugesWay, wantGauge } from './gauge';

const millimetres = (hundredths: number): string => `${(hundredths / 100).toFixed(2)} mm`;
/** Where each probe stands at first, and how far it may be moved: in hundredths of a millimetre, or in degrees. */
const PROBES: Record<GaugeKind, { name: string; at: number; most: number; text: (at: number) => string }> = {
  stroke: { name: 'Stroke gauge', at: 4_128, most: 8_000, text: millimetres },
  lining: { name: 'Lining gauge', at: 1_270, most: 3_000, text: millimetres },
  tread: { name: 'Tread gauge', at: 714, most: 2_500, text: millimetres },
  temperature: { name: 'Infrared gauge', at: 150, most: 400, text: (at) => `${at} °F` },
};
const WAY_WORDS: Record<OutsideWay, string> = {
  none: 'Not set up',
  protocol: 'Connected',
  'made-up': 'Made up: stand-ins for real gauges',
};

const STATE_WORDS = {
  off: 'off',
  looking: 'looking for the receiver',
  on: 'listening',
  lost: 'receiver lost',
} as const;

/** Electronic gauges: whether this device listens for them; and where the fleet chose the stand-in, probes to press. */
export function Gauges() {
  const way = useGaugesWay();
  const [probes, setProbes] = useState(
    () => Object.fromEntries(GAUGE_KINDS.map((kind) => [kind, PROBES[kind].at])) as Record<GaugeKind, number>,
  );
  const [wanted, setWanted] = useState(gaugeWanted);
  const [heard, setHeard] = useState<string[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const note = (line: string) => setHeard((now) => [line, ...now].slice(0, 6));
  const state = useGauge(
    wanted && way !== 'none',
    ({ kind, value, serial }) => note(`${serial} (${kind}): ${value}`),
    note,
  );
  const post = (path: string, body: unknown) =>
    call<{ line: string } | undefined>('POST', path, body).then(
      () => setProblem(null),
      (error: Error) => setProblem(error.message),
    );
  const press = (kind: GaugeKind, again = false) =>
    void post('/gauges/press', { kind, value: PROBES[kind].text(probes[kind]), ...(again ? { again } : {}) });
  return (
    <Screen title="Gauges" under={way ? WAY_WORDS[way] : undefined} back={goBack('/me')}>
      {way === 'none' ? (
        <Notice>No gauge connected: type the readings. A manager connects one under Fleet setup, Outside.</Notice>
      ) : null}
      {way === 'made-up' ? (
        <Notice look="ask">Made up: these gauges are stand-ins. Their serial numbers mark what they send.</Notice>
      ) : null}
      {way === 'none' ? null : (
        <Card title="This device" note={`Receiver: ${STATE_WORDS[state]}`}>
          <Button
            look={wanted ? 'plain' : 'act'}
            label={wanted ? 'Stop listening' : 'Listen for gauges'}
            onPress={() => {
              wantGauge(!wanted);
              setWanted(!wanted);
            }}
          />
          {heard.map((line, index) => (
            <Text key={`${line} ${index}`} size="small" tone={index ? 'soft' : 'ink'}>
              {line}
            </Text>
          ))}
          <Text size="small" tone="soft">
            While measuring, each press fills the current field and moves to the next.
          </Text>
        </Card>
      )}
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      {way === 'made-up' ? (
        <MadeUp
          probes={probes}
          onProbe={(kind, at) => setProbes((now) => ({ ...now, [kind]: at }))}
          onPress={press}
          post={post}
        />
      ) : null}
    </Screen>
  );
}

interface MadeUpProps {
  probes: Record<GaugeKind, number>;
  onProbe: (kind: GaugeKind, at: number) => void;
  onPress: (kind: GaugeKind, again?: boolean) => void;
  post: (path: string, body: unknown) => Promise<void>;
}

/** A stand-in for electronic gauges: move the probe, press, and the pad on this person's devices takes the value. */
function MadeUp({ probes, onProbe, onPress: press, post }: MadeUpProps) {
  return (
    <>
      {GAUGE_KINDS.map((kind) => (
        <Card key={kind} title={PROBES[kind].name}>
          <Slider
            label="Probe"
            shown={PROBES[kind].text(probes[kind])}
            value={probes[kind]}
            least={0}
            most={PROBES[kind].most}
            step={1}
            onChange={(at) => onProbe(kind, at)}
          />
          <View className="flex-row flex-wrap gap-2">
            <Button
              tall
              look="act"
              className="grow"
              label="Press"
              hint={PROBES[kind].name}
              onPress={() => press(kind)}
            />
            <Button
              tall
              className="grow"
              label="Send again"
              hint={PROBES[kind].name}
              onPress={() => press(kind, true)}
            />
          </View>
        </Card>
      ))}
      <Card title="What goes wrong with gauges" note="To see how the pad handles it.">
        <View className="flex-row flex-wrap gap-2">
          <Button
            className="grow"
            label="A damaged line"
            onPress={() => void post('/gauges/fault', { fault: 'noise' })}
          />
          <Button
            className="grow"
            label="Probe out of range"
            onPress={() => void post('/gauges/press', { kind: 'stroke', value: '180.00 mm' })}
          />
          <Button
            className="grow"
            label="Lose the receiver"
            onPress={() => void post('/gauges/fault', { fault: 'cut' })}
          />
        </View>
      </Card>
    </>
  );
}
