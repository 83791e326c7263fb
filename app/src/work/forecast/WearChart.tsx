import {
  formatLength,
  type LimitReached,
  NM_PER_INCH,
  type PositionView,
  placeWords,
  valueAt,
  wearsDown,
} from '@zealous-axle/core';
import { scaleLinear, scaleUtc } from 'd3-scale';
import { useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { monthOf } from '../../look/dates';
import { usePalette } from '../../look/theme';
import { useShown } from '../../session/rules';
import { WHOSE_WORDS } from './words';

const HEIGHT = 300;
const PAD = { left: 66, right: 16, top: 18, bottom: 30 };
const DAY_MS = 86_400_000;
const LABEL_PX = 14;
/** How one end is told from another without colour. */
const DASHES = ['', '7 4', '2 4', '10 3 2 3'] as const;

interface Props {
  /** What is drawn in full: readings, limits, slope, interval. */
  position: PositionView;
  /** Other ends of the same axle, drawn beside it. */
  others: readonly PositionView[];
  today: string;
  words: string;
}

const at = (instant: string): number => Date.parse(instant);
/** The middle of a day, as far as a chart can tell. */
const noon = (day: string): number => Date.parse(`${day}T12:00:00Z`);

/** The nearest round step that leaves few lines: in inches or millimetres alike, as a part of the whole. */
function ticksOf(most: number): number[] {
  const step =
    [1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 4].map((part) => part * NM_PER_INCH).find((part) => most / part <= 7) ??
    most;
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, n) => n * step);
}

/** Readings of one end against time, joined within each life. */
function Series({
  position,
  x,
  y,
  dash,
  strong,
}: {
  position: PositionView;
  x: (t: number) => number;
  y: (nm: number) => number;
  dash: string;
  strong: boolean;
}) {
  const palette = usePalette();
  const ink = strong ? palette.act : palette.soft;
  return (
    <G>
      {position.lives.map(({ points, since }) => (
        <Path
          key={since}
          d={points.map((point, n) => `${n ? 'L' : 'M'}${x(at(point.at))} ${y(point.nm)}`).join(' ')}
          stroke={ink}
          strokeWidth={strong ? 2.5 : 1.5}
          strokeDasharray={dash || undefined}
          fill="none"
        />
      ))}
      {position.lives.flatMap(({ points }) =>
        points.map((point) => (
          <Circle
            key={point.at}
            cx={x(at(point.at))}
            cy={y(point.nm)}
            r={strong ? 4.5 : 3}
            fill={strong ? ink : palette.card}
            stroke={ink}
            strokeWidth={1.5}
          />
        )),
      )}
    </G>
  );
}

/** The line on which it goes on wearing, and the wedge in which it may. Only where it wears by days is time its own axis. */
function Ahead({
  position,
  x,
  y,
  until,
}: {
  position: PositionView;
  x: (t: number) => number;
  y: (nm: number) => number;
  until: number;
}) {
  const palette = usePalette();
  const { slope, by, kind, first } = position;
  const last = position.lives.at(-1)?.points.at(-1);
  if (!slope || !last || !first?.reach) return null;
  const sign = wearsDown(kind) ? 1 : -1;
  const points = position.lives.at(-1)?.points ?? [];
  const from = at(last.at);
  // By distance the day of the limit is known, and the line runs to it.
  const there =
    by === 'days'
      ? sign *
        valueAt(
          points.map((point) => ({ x: at(point.at) / DAY_MS, y: sign * point.nm })),
          slope.slope,
          from / DAY_MS,
        )
      : last.nm;
  const level = first.nm;
  const [early, late] = [noon(first.reach.earliest), first.reach.latest ? noon(first.reach.latest) : until];
  const lateLevel = first.reach.latest
    ? level
    : there + ((level - there) * (until - from)) / Math.max(1, (noon(first.reach.on) - from) * 2);
  return (
    <G>
      <Path
        d={`M${x(from)} ${y(there)} L${x(early)} ${y(level)} L${x(late)} ${y(lateLevel)} Z`}
        fill={palette['shop-tint']}
        opacity={0.85}
      />
      <Line
        x1={x(from)}
        y1={y(there)}
        x2={x(noon(first.reach.on))}
        y2={y(level)}
        stroke={palette.act}
        strokeWidth={2}
        strokeDasharray="3 4"
      />
      <Circle
        cx={x(noon(first.reach.on))}
        cy={y(level)}
        r={6}
        fill="none"
        stroke={palette.violation}
        strokeWidth={2.5}
      />
    </G>
  );
}

function Limits({ limits, y, width }: { limits: readonly LimitReached[]; y: (nm: number) => number; width: number }) {
  const palette = usePalette();
  const { shown } = useShown();
  return (
    <G>
      {limits.map(({ whose, value, nm, source }) => {
        const label = `${WHOSE_WORDS[whose]}, ${shown(value)}`;
        const ink = whose === 'law' ? palette.out : palette.shop;
        return (
          <G key={`${whose} ${value} ${source}`}>
            <Line
              x1={PAD.left}
              x2={width - PAD.right}
              y1={y(nm)}
              y2={y(nm)}
              stroke={ink}
              strokeWidth={2}
              strokeDasharray={whose === 'law' ? undefined : '8 4'}
            />
            <SvgText x={PAD.left + 4} y={y(nm) - 5} fontSize={13} fontFamily="Hyperlegible" fill={ink}>
              {label}
            </SvgText>
          </G>
        );
      })}
    </G>
  );
}

/** Where the ends beside it are named: at their last reading, never one over the other. */
function labelsOf(others: readonly PositionView[], y: (nm: number) => number) {
  const named = others
    .flatMap((other) => {
      const last = other.lives.at(-1)?.points.at(-1);
      return last ? [{ other, last: last.at, top: y(last.nm) }] : [];
    })
    .sort((a, b) => a.top - b.top);
  for (const [n, label] of named.entries())
    label.top = Math.max(label.top, (named[n - 1]?.top ?? Number.NEGATIVE_INFINITY) + LABEL_PX);
  return named;
}

type Scales = { x: (t: number) => number; y: (nm: number) => number };

/** The scales a position is drawn by, how far ahead they reach, and the greatest reading or limit in them. */
function scalesOf({ position, others, today }: Pick<Props, 'position' | 'others' | 'today'>, width: number) {
  const points = [position, ...others].flatMap(({ lives }) => lives.flatMap((life) => life.points));
  const read = points.map((point) => at(point.at));
  const reach = position.first?.reach;
  const ahead = [reach?.latest, reach?.on, today].flatMap((day) => (day ? [noon(day)] : []));
  const from = Math.min(...read);
  const latest = Math.max(...ahead, ...read);
  // What lies far beyond all that was read would press it into a corner.
  const until = Math.min(latest, Math.max(noon(today), ...read) + 2 * Math.max(DAY_MS * 60, noon(today) - from));
  const depths = [...points, ...position.limits].map(({ nm }) => nm);
  const most = Math.max(...depths) * 1.08;
  const least = position.kind === 'drum' ? Math.min(...depths) * 0.995 : 0;
  const time = scaleUtc()
    .domain([from, until])
    .range([PAD.left + 6, width - PAD.right - 6])
    .clamp(true);
  const depth = scaleLinear()
    .domain([least, most])
    .range([HEIGHT - PAD.bottom, PAD.top]);
  return { time, until, most, x: (t: number) => time(t), y: (nm: number) => depth(nm) };
}

/** The depth's lines with their figures, the months below, and today. */
function Grid({ position, today, width, scales }: Props & { width: number; scales: ReturnType<typeof scalesOf> }) {
  const palette = usePalette();
  const { shown } = useShown();
  const { time, most, x, y } = scales;
  const tickWords = (nm: number) => shown(formatLength(nm, position.kind === 'tread' ? '32nds' : 'fraction'));
  const now = x(noon(today));
  return (
    <>
      {(position.kind === 'drum' ? [] : ticksOf(most)).map((nm) => (
        <G key={nm}>
          <Line x1={PAD.left} x2={width - PAD.right} y1={y(nm)} y2={y(nm)} stroke={palette.line} strokeWidth={1} />
          <SvgText
            x={PAD.left - 6}
            y={y(nm) + 4}
            fontSize={12}
            fontFamily="Hyperlegible Mono"
            fill={palette.soft}
            textAnchor="end"
          >
            {tickWords(nm)}
          </SvgText>
        </G>
      ))}
      {time.ticks(Math.max(2, Math.floor(width / 110))).map((date, n) => (
        <SvgText
          key={date.getTime()}
          x={x(date.getTime())}
          y={HEIGHT - 8}
          fontSize={12}
          fontFamily="Hyperlegible"
          fill={palette.soft}
          textAnchor={n === 0 ? 'start' : 'middle'}
        >
          {monthOf(date)}
        </SvgText>
      ))}
      <Line x1={now} x2={now} y1={PAD.top} y2={HEIGHT - PAD.bottom} stroke={palette.focus} strokeWidth={1.5} />
    </>
  );
}

/** Where a new part began, as far as is known. */
function Began({ position, x }: { position: PositionView; x: Scales['x'] }) {
  const palette = usePalette();
  return position.lives.slice(1).map(({ since, began }) => (
    <G key={since}>
      <Line
        x1={x(at(since))}
        x2={x(at(since))}
        y1={PAD.top}
        y2={HEIGHT - PAD.bottom}
        stroke={palette.within}
        strokeWidth={1.5}
        strokeDasharray="5 3"
      />
      <SvgText x={x(at(since)) + 4} y={PAD.top + 8} fontSize={12} fontFamily="Hyperlegible" fill={palette.within}>
        {began === 'fitted' ? 'fitted new' : 'new?'}
      </SvgText>
    </G>
  ));
}

/** The names of the ends beside it, each at its last reading. */
function Names({ others, x, y }: { others: readonly PositionView[] } & Scales) {
  const palette = usePalette();
  return labelsOf(others, y).map(({ other, last, top }) => {
    const label = placeWords(other);
    return (
      <SvgText
        key={other.key}
        x={x(at(last)) + 7}
        y={top + 4}
        fontSize={12}
        fontFamily="Hyperlegible"
        fill={palette.soft}
      >
        {label}
      </SvgText>
    );
  });
}

/** A part’s readings against time with its limits, where the line goes on to, and the other ends of its axle beside it. */
export function WearChart(props: Props) {
  const { position, others, words } = props;
  const [width, setWidth] = useState(340);
  const scales = scalesOf(props, width);
  const { x, y, until } = scales;
  return (
    <View
      role="img"
      aria-label={words}
      onLayout={({ nativeEvent }) => setWidth(Math.max(280, nativeEvent.layout.width))}
    >
      <Svg width={width} height={HEIGHT}>
        <Grid {...props} width={width} scales={scales} />
        <Limits limits={position.limits} y={y} width={width} />
        <Ahead position={position} x={x} y={y} until={until} />
        <Began position={position} x={x} />
        {others.map((other, n) => (
          <Series
            key={other.key}
            position={other}
            x={x}
            y={y}
            dash={DASHES[(n + 1) % DASHES.length] ?? ''}
            strong={false}
          />
        ))}
        <Series position={position} x={x} y={y} dash="" strong />
        <Names others={others} x={x} y={y} />
      </Svg>
    </View>
  );
}
