import { z } from 'zod';
import { must, no, ok, type Parsed, parseAmount } from '../measure';
import type { StepKind } from '../reading';

export const GAUGE_KINDS = ['stroke', 'lining', 'tread', 'temperature'] as const;
export type GaugeKind = (typeof GAUGE_KINDS)[number];

/** Where a reading came from when a gauge sent it. */
export const gaugeSourceSchema = z.strictObject({
  kind: z.enum(GAUGE_KINDS),
  serial: z.string().min(1).max(20),
  sequence: z.int().min(0).max(999_999),
});
export type GaugeSource = z.infer<typeof gaugeSourceSchema>;

/** How serial numbers of gauges begin that a stand-in plays. */
export const MADE_UP_SERIAL = 'MADE-UP';

/** Which gauge sent a reading, in words; of a stand-in that it is made up. */
export const gaugeWords = ({ serial }: Pick<GaugeSource, 'serial'>): string =>
  serial.startsWith(MADE_UP_SERIAL) ? `made up, by the stand-in ${serial}` : `by gauge ${serial}`;

/** One value a gauge sent. `value` is a length or a temperature with its unit, as a person would write it. */
export interface Frame extends GaugeSource {
  value: string;
}

/** What each gauge measures. */
export const GAUGE_STEP: Record<GaugeKind, StepKind> = {
  stroke: 'stroke-applied',
  lining: 'lining',
  tread: 'tread',
  temperature: 'wheel-temperature',
};

/** What each gauge can give at most: the travel of its probe, the end of its range. */
const MOST: Record<GaugeKind, string> = { stroke: '120 mm', lining: '50 mm', tread: '50 mm', temperature: '600 °C' };

/** All characters before the star, combined by exclusive or: two hexadecimal digits. */
const checksum = (text: string): string =>
  [...text]
    .reduce((sum, sign) => sum ^ sign.charCodeAt(0), 0)
    .toString(16)
    .toUpperCase()
    .padStart(2, '0');

/** A frame as the line a gauge sends, in plain ASCII: `ZG1 stroke SG-104 000017 47.63 mm*3A`, a temperature as `151 F`. */
export function frameLine({ kind, serial, sequence, value }: Frame): string {
  const body = `ZG1 ${kind} ${serial} ${String(sequence).padStart(6, '0')} ${value.replace('°', '')}`;
  return `${body}*${checksum(body)}`;
}

const LINE = /^(ZG1 (\S+) ([A-Za-z0-9-]{1,20}) (\d{6}) (-?\d{1,4}(?:\.\d{1,3})? (?:mm|in|C|F)))\*([0-9A-F]{2})$/;

/** Reads a gauge's line; refused with one sentence when it is damaged, of another protocol, or out of the gauge's range. */
export function parseFrame(line: string): Parsed<Frame> {
  const found = LINE.exec(line.trim());
  if (!found) return no('The gauge sent something the program cannot read.');
  const [, body = '', kind = '', serial = '', sequence = '', sent = '', sum = ''] = found;
  if (checksum(body) !== sum) return no('The gauge reading was damaged on the way. Press it again.');
  const known = GAUGE_KINDS.find((each) => each === kind);
  if (!known) return no(`There is no “${kind}” gauge.`);
  const value = sent.replace(/ ([CF])$/, ' °$1');
  const [amount, most] = [parseAmount(value), must(parseAmount(MOST[known]))];
  if (!amount.ok) return no(amount.message);
  if (amount.value.dimension !== most.dimension) return no(`${value} is nothing that a ${known} gauge measures.`);
  if (amount.value.value > most.value)
    return no(`${value} is more than a ${known} gauge can measure: is it held right?`);
  return ok({ kind: known, serial, sequence: Number(sequence), value });
}

/** What the pad does with a frame: take it, or say why not. */
export type Taken = { take: true; frame: Frame } | { take: false; message: string | null };

/** Decides over a frame at a step. A frame seen before is passed over in silence: gauges send again when unsure. */
export function takeFrame(frame: Frame, step: StepKind | null, seen: ReadonlySet<string>): Taken {
  if (seen.has(frameKey(frame))) return { take: false, message: null };
  if (step === null) return { take: false, message: 'Nothing is being measured now.' };
  if (GAUGE_STEP[frame.kind] !== step)
    return { take: false, message: `That came from the ${frame.kind} gauge: it does not measure this.` };
  return { take: true, frame };
}

/** What makes a frame the same frame. */
export const frameKey = ({ kind, serial, sequence }: GaugeSource): string => `${kind} ${serial} ${sequence}`;
