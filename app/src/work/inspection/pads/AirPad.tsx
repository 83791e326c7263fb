import {
  type AirTest,
  formatLike,
  isLeakTest,
  leakRate,
  must,
  type Note,
  parsePressure,
  pressureUnit,
  textOf,
  withEntry,
} from '@zealous-axle/core';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Because } from '../../../parts/Because';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { Text } from '../../../parts/Text';
import { VerdictBadge } from '../../../parts/VerdictMark';
import type { PadProps } from '../kinds/kind';
import { pressureText } from '../written';

const VEHICLES: readonly { value: NonNullable<Note['vehicles']>; label: string }[] = [
  { value: 'single', label: 'One vehicle' },
  { value: 'combination', label: 'Combination' },
  { value: 'two-trailers', label: 'Two or more trailers' },
];

const TICK_MS = 200;
const clockText = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

/** Whole seconds since the test was started; it goes on over a reload, because its start is kept. */
function useRunning(startedMs: number | undefined): number | null {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (startedMs === undefined) return;
    const timer = setInterval(() => setNow(Date.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [startedMs]);
  return startedMs === undefined ? null : Math.max(0, Math.round((now - startedMs) / 1_000));
}

interface ClockProps {
  pad: PadProps;
  /** How long it is to run; null where the book names no time. */
  aim: number | null;
  /** The field to go to when it was stopped. */
  next?: string;
}

function Clock({ pad, aim, next }: ClockProps) {
  const { entry, note: change, update, step } = pad;
  const running = useRunning(entry.note.startedMs);
  const taken = entry.note.seconds;
  const start = () => change({ startedMs: Date.now(), seconds: undefined });
  const stop = () => {
    change({ startedMs: undefined, seconds: Math.max(1, running ?? 1) });
    if (next) update((now) => withEntry(now, step, { field: next }));
  };
  return (
    <View className="gap-2 rounded-2xl border-2 border-line bg-card p-3">
      <View className="flex-row items-center justify-between">
        <Text reading bold size="huge" role="timer">
          {running !== null ? clockText(running) : taken ? clockText(taken) : '0:00'}
        </Text>
        {aim ? (
          <Text tone={running !== null && running >= aim ? 'within' : 'soft'}>{`of ${clockText(aim)}`}</Text>
        ) : null}
      </View>
      {running !== null ? (
        <Button tall look="act" label="Stop the clock" onPress={stop} />
      ) : (
        <Button tall look={taken ? 'plain' : 'act'} label={taken ? 'Start again' : 'Start the clock'} onPress={start} />
      )}
    </View>
  );
}

/** What was lost, as a sum: over the time a limit is meant for, where the book has one. */
function Rate({ pad, per }: { pad: PadProps; per: number | null }) {
  const { draft, step, entry, judged } = pad;
  const [start, end] = ['start', 'end'].map((id) => pressureText(textOf(draft, step, id), draft.airUnit));
  const rate =
    start && end ? leakRate({ start, end, seconds: entry.note.seconds }, per ?? entry.note.seconds ?? 0) : null;
  if (!rate || !start || !end) return null;
  const lost = must(parsePressure(start)) - must(parsePressure(end));
  const whole = per
    ? `: ${formatLike(rate.rate, `1 ${pressureUnit(start)}`)} ${per === 60 ? 'a minute' : `in ${per / 60} min`}`
    : '';
  return (
    <View className="flex-row flex-wrap items-center justify-between gap-2">
      <Text bold>
        {lost < 0
          ? 'The pressure rose: is the engine off?'
          : `${formatLike(rate.lost, start)} in ${entry.note.seconds} s${whole}`}
      </Text>
      {judged.opinion ? <VerdictBadge verdict={judged.opinion.verdict} /> : null}
      {judged.opinion?.verdict === 'not-judged' ? <Because said={judged.opinion.said} /> : null}
    </View>
  );
}

/** A timed or noted air test. The clock runs on the device, and over a reload. */
export function AirPad(pad: PadProps) {
  const { draft, step, entry, judged, note: change } = pad;
  const test = step.item as AirTest;
  if (test === 'build-up')
    return (
      <View className="gap-3">
        <Clock pad={pad} aim={null} />
        {judged.opinion ? (
          <>
            <VerdictBadge verdict={judged.opinion.verdict} />
            <Because said={judged.opinion.said} />
          </>
        ) : null}
      </View>
    );
  if (!isLeakTest(test)) return <pad.Figures {...pad} />;
  const per = judged.limit?.perSeconds ?? null;
  return (
    <View className="gap-3">
      {test === 'suspension-leak' ? null : (
        <Choice
          label="Vehicles in this test"
          hideLabel
          options={VEHICLES}
          value={entry.note.vehicles ?? draft.carried.vehicles ?? 'single'}
          onChange={(vehicles) => change({ vehicles })}
        />
      )}
      <Clock pad={pad} aim={per} next="end" />
      <Rate pad={pad} per={per} />
      <pad.Figures {...pad} />
    </View>
  );
}
