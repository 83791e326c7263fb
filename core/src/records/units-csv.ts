import { BOOK_IDS } from '../limits';
import {
  ADJUSTERS,
  type Axle,
  BRAKE_KINDS,
  CHAMBER_STROKES,
  CHAMBER_TYPES,
  type Chamber,
  COUPLINGS,
  DOORS,
  type Features,
  HUB_KINDS,
  LINING_STYLES,
  SUSPENSIONS,
  TYRE_FITS,
  UNIT_KINDS,
  type UnitForm,
  unitFormSchema,
} from '../trailer';

/** Columns of `units.csv`, imported and exported alike: a unit a line. */
export const UNIT_COLUMNS = ['number', 'kind', 'body', 'site', 'fitted', 'axles'] as const;
export type UnitRow = Record<(typeof UNIT_COLUMNS)[number], string>;

/** What may stand in each column of `units.csv`, in words. */
export const unitColumnWords = (): Record<(typeof UNIT_COLUMNS)[number], string> => ({
  number: 'The number painted on the unit, each once.',
  kind: UNIT_KINDS.join(', '),
  body: 'Words of your own: Seed hopper.',
  site: 'Words of your own, or nothing.',
  fitted: [
    ...COUPLINGS,
    ...Object.keys(YES_NO).flatMap((word) => [word, `no ${word}`]),
    ...DOORS.map((each) => (each === 'none' ? 'no doors' : `${each} doors`)),
    ...BOOK_IDS.map((each) => `book ${each}`),
    'built 2019',
    ...Object.keys(SAID).map((name) => `${name} …`),
  ].join('; '),
  axles: [
    `brake: ${BRAKE_KINDS.join(', ')}`,
    `chamber: ${CHAMBER_TYPES.join(', ')} with its size, then ${CHAMBER_STROKES.join(' or ')}`,
    `adjuster: ${ADJUSTERS.join(', ')}`,
    `tires: ${TYRE_FITS.join(', ')}`,
    `hub: ${HUB_KINDS.join(', ')}`,
    `suspension: ${SUSPENSIONS.join(', ')}`,
    `lining: ${LINING_STYLES.join(', ')}`,
    'lift; steer; no steer',
    ...NAMED.map((name) => `${NAMES[name]} …`),
  ].join('; '),
});

const SAME = 'same';
const BETWEEN_AXLES = ' | ';
const BETWEEN_PARTS = '; ';

const chamberText = ({ type, size, stroke }: Chamber): string =>
  [type, size, stroke && stroke !== 'standard' ? stroke : ''].filter(Boolean).join(' ');

/** Fields of an axle that are written with their name before them. */
const NAMED = ['tyreSize', 'target', 'sidewallMax', 'slack'] as const;
const NAMES: Record<(typeof NAMED)[number], string> = {
  tyreSize: 'tyre',
  target: 'target',
  sidewallMax: 'sidewall max',
  slack: 'slack',
};

/** An axle in words, part by part: `s-cam; clamp 30 long; automatic; dual; oil; air; lift; target 100 psi`. */
function axleText(axle: Axle): string {
  const { brake, chamber, adjuster, tyres, hub, suspension, liningStyle, lift, steer } = axle;
  return [
    brake,
    chamber ? chamberText(chamber) : '',
    adjuster,
    tyres,
    hub,
    suspension,
    liningStyle,
    lift ? 'lift' : '',
    steer ? 'steer' : steer === false ? 'no steer' : '',
    ...NAMED.map((name) => (axle[name] ? `${NAMES[name]} ${axle[name]}` : '')),
  ]
    .filter(Boolean)
    .join(BETWEEN_PARTS);
}

const CHAMBER = new RegExp(`^(${CHAMBER_TYPES.join('|')}) (\\S{1,8})(?: (${CHAMBER_STROKES.join('|')}))?$`);

/** Words that stand for themselves, and the field each belongs to. */
const WORDS = new Map<string, [keyof Axle, unknown]>([
  ...BRAKE_KINDS.map((word): [string, [keyof Axle, unknown]] => [word, ['brake', word]]),
  ...ADJUSTERS.map((word): [string, [keyof Axle, unknown]] => [word, ['adjuster', word]]),
  ...TYRE_FITS.map((word): [string, [keyof Axle, unknown]] => [word, ['tyres', word]]),
  ...HUB_KINDS.map((word): [string, [keyof Axle, unknown]] => [word, ['hub', word]]),
  ...SUSPENSIONS.map((word): [string, [keyof Axle, unknown]] => [word, ['suspension', word]]),
  ...LINING_STYLES.map((word): [string, [keyof Axle, unknown]] => [word, ['liningStyle', word]]),
  ['lift', ['lift', true]],
  ['steer', ['steer', true]],
  ['no steer', ['steer', false]],
]);

function partOf(text: string): [keyof Axle, unknown] | null {
  const word = WORDS.get(text.toLowerCase());
  if (word) return word;
  const chamber = CHAMBER.exec(text);
  if (chamber) {
    const [, type, size, stroke] = chamber;
    return ['chamber', { type, size, stroke: stroke ?? 'standard' }];
  }
  const name = NAMED.find((each) => text.startsWith(`${NAMES[each]} `));
  return name ? [name, text.slice(NAMES[name].length + 1).trim()] : null;
}

type Read<T> = { ok: true; value: T } | { ok: false; message: string };
const no = (message: string) => ({ ok: false as const, message });

function readAxle(text: string, place: number): Read<Record<string, unknown>> {
  const axle: Record<string, unknown> = {};
  for (const each of text.split(';').map((part) => part.trim())) {
    const part = each ? partOf(each) : null;
    if (!part) return no(`Axle ${place}: “${each}” is not understood. Write parts like s-cam; clamp 30; dual; oil.`);
    if (part[0] in axle) return no(`Axle ${place}: “${each}” is a second ${part[0]}.`);
    axle[part[0]] = part[1];
  }
  const absent = (['brake', 'tyres', 'hub'] as const).filter((name) => !(name in axle));
  if (absent.length) return no(`Axle ${place} does not say its ${absent.join(', ')}.`);
  return { ok: true, value: axle };
}

function readAxles(text: string): Read<unknown[]> {
  const axles: unknown[] = [];
  for (const [index, each] of text.split('|').map((axle, at) => [at, axle.trim()] as const)) {
    const before = axles.at(-1);
    if (each.toLowerCase() === SAME && before) {
      axles.push(before);
      continue;
    }
    const axle = readAxle(each, index + 1);
    if (!axle.ok) return axle;
    axles.push(axle.value);
  }
  return { ok: true, value: axles };
}

/** What a unit is or has besides, written with its name before it. */
const SAID: Record<string, keyof Features> = {
  gross: 'grossWeight',
  payload: 'payload',
  height: 'height',
  width: 'width',
  extinguisher: 'extinguisher',
  'air tanks': 'airTanks',
  alternator: 'alternator',
  'water pump': 'waterPump',
  compressor: 'compressor',
  'steering pump': 'steeringPump',
  transmission: 'transmission',
  'cut-out': 'cutOut',
};

function saidOf(word: string): [keyof Features, unknown] | null {
  const name = Object.keys(SAID).find((each) => word.toLowerCase().startsWith(`${each} `));
  const field = name && SAID[name];
  if (!name || !field) return null;
  const value = word.slice(name.length + 1).trim();
  return [field, field === 'airTanks' && /^\d+$/.test(value) ? Number(value) : value];
}

const YES_NO: Record<string, keyof Features> = {
  abs: 'abs',
  'auto-inflation': 'autoInflation',
  'lift gate': 'liftGate',
  'refrigeration unit': 'refrigeration',
};

function featureWords({ book, coupling, doors, yearBuilt, ...flags }: Features): string {
  const yesNo = Object.entries(YES_NO).flatMap(([word, name]) => {
    const value = (flags as Features)[name];
    return value === undefined ? [] : [value ? word : `no ${word}`];
  });
  return [
    ...(book ? [`book ${book}`] : []),
    ...(coupling ? [coupling] : []),
    ...yesNo,
    ...(doors ? [doors === 'none' ? 'no doors' : `${doors} doors`] : []),
    ...(yearBuilt ? [`built ${yearBuilt}`] : []),
    ...Object.entries(SAID).flatMap(([name, field]) => {
      const value = (flags as Features)[field];
      return value === undefined ? [] : [`${name} ${value}`];
    }),
  ].join(BETWEEN_PARTS);
}

function readFeatures(text: string): Read<Features> {
  const features: Record<string, unknown> = {};
  for (const part of text.split(';').map((each) => each.trim())) {
    if (!part) continue;
    const said = saidOf(part);
    if (said) {
      features[said[0]] = said[1];
      continue;
    }
    const word = part.toLowerCase();
    const yes = YES_NO[word.replace(/^no /, '')];
    const door = DOORS.find((each) => word === (each === 'none' ? 'no doors' : `${each} doors`));
    const book = BOOK_IDS.find((each) => word === `book ${each}`);
    const year = /^built (\d{4})$/.exec(word)?.[1];
    if (yes) features[yes] = !word.startsWith('no ');
    else if (book) features.book = book;
    else if (door) features.doors = door;
    else if (year) features.yearBuilt = Number(year);
    else if ((COUPLINGS as readonly string[]).includes(word)) features.coupling = word;
    else
      return no(
        `“${word}” is not something fitted. Write words like king-pin; abs; no lift gate; swing doors; built 2019.`,
      );
  }
  return { ok: true, value: features as Features };
}

/** A unit as a line of the file; what differs at one end of an axle and makers' limits have no column. */
export function unitCells({ number, kind, body, site, features, axles }: UnitForm): UnitRow {
  const texts = axles.map((axle) => axleText(axle as Axle));
  return {
    number,
    kind,
    body,
    site,
    fitted: featureWords(features as Features),
    axles: texts.map((text, index) => (index > 0 && text === texts[index - 1] ? SAME : text)).join(BETWEEN_AXLES),
  };
}

/** Reads a line of the file: a unit, or why it is none. */
export function rowUnit(row: Partial<UnitRow>): Read<UnitForm> {
  const axles = readAxles(row.axles ?? '');
  if (!axles.ok) return axles;
  const features = readFeatures(row.fitted ?? '');
  if (!features.ok) return features;
  const { number = '', kind = '', body = '', site = '' } = row;
  const parsed = unitFormSchema.safeParse({
    number,
    kind: kind.trim(),
    body,
    site,
    features: features.value,
    axles: axles.value,
  });
  if (parsed.success) return { ok: true, value: parsed.data };
  const [issue] = parsed.error.issues;
  return no(`${issue?.path.join(' ') || 'The line'}: ${issue?.message ?? 'is not a unit'}.`);
}
