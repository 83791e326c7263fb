import {
  type AirTest,
  contradiction,
  formatLike,
  isLeakTest,
  parseLength,
  parsePressure,
  parseTemperature,
  type Reading,
  readingSchema,
  type Step,
} from '@zealous-axle/core';
import { type Draft, entryOf, type PadUnit } from './draft';
import { DEFAULT_GROOVES, DEFAULT_PLACES, type Field, fieldsOf, grooveField, textOf } from './fields';

export type Composed = { ok: true; value: Reading } | { ok: false; message: string | null };

const NOTHING: Composed = { ok: false, message: null };

/** What was typed as a length of the wire: `1 7/8` becomes `1 7/8 in`, `6` on a tread pad `6/32`. */
export function writtenLength(keys: Field['keys'], typed: string, padUnit: PadUnit): string {
  const text = typed.trim();
  if (text === '' || /[a-z"″]/i.test(text)) return text;
  if (padUnit === 'in' && keys === '32nds' && /^\d+$/.test(text)) return `${text}/32`;
  return `${text} ${padUnit}`;
}

const bare = (text: string): boolean => /^\d+(\.\d+)?$/.test(text.trim());

/** A typed pressure as a quantity; null while it is not one. */
export function pressureText(typed: string, unit: Draft['airUnit'] = 'psi'): string | null {
  const text = bare(typed) ? `${typed.trim()} ${unit}` : typed.trim();
  return parsePressure(text).ok ? text : null;
}

/** A typed temperature with its unit: the person's own, where none was typed. */
export const temperatureText = (typed: string, unit: Draft['temperatureUnit'] = '°F'): string =>
  /^-?\d+(\.\d+)?$/.test(typed.trim()) ? `${typed.trim()} ${unit}` : typed.trim();

/** A field as written for the wire, or why it cannot be; null while it is empty. */
function written(
  draft: Draft,
  step: Step,
  field: Field,
): { ok: true; text: string } | { ok: false; message: string } | null {
  const typed = textOf(draft, step, field.id);
  if (typed.trim() === '') return null;
  if (field.keys === 'pressure') {
    const text = pressureText(typed, draft.airUnit);
    const parsed = parsePressure(typed);
    return text ? { ok: true, text } : { ok: false, message: parsed.ok ? '' : parsed.message };
  }
  if (field.keys === 'temperature') {
    const text = temperatureText(typed, draft.temperatureUnit);
    const parsed = parseTemperature(text);
    return parsed.ok ? { ok: true, text } : { ok: false, message: parsed.message };
  }
  const text = writtenLength(field.keys, typed, draft.padUnit);
  const parsed = parseLength(text, field.keys === '32nds' ? '32nds' : 'none');
  return parsed.ok ? { ok: true, text } : { ok: false, message: parsed.message };
}

type Texts = Record<string, string | undefined>;

const difference = (released: string, applied: string): string | null => {
  const [a, b] = [parseLength(released, 'none'), parseLength(applied, 'none')];
  return a.ok && b.ok && b.value >= a.value ? formatLike(b.value - a.value, released) : null;
};

const pick = (texts: Texts, ...ids: string[]): Record<string, string> =>
  Object.fromEntries(ids.flatMap((id) => (texts[id] === undefined ? [] : [[id, texts[id] as string]])));

const pair = (texts: Texts, first: string, second: string): [string, string] | undefined => {
  const [a, b] = [texts[first], texts[second]];
  return a && b ? [a, b] : undefined;
};

/** What the fields and choices of a step stand for, less its place; null while something needed is missing, or why not. */
function body(draft: Draft, step: Step, texts: Texts): Record<string, unknown> | string | null {
  const { note } = entryOf(draft, step);
  const { kind } = step;
  switch (kind) {
    case 'stroke-applied': {
      const distances = pair(texts, 'released', 'applied');
      const value = note.method === 'pin-distance' ? distances && difference(...distances) : texts.value;
      if (value === null) return 'Applied must be the longer distance: the pushrod travels out.';
      const reservoir = pressureText(draft.reservoir, draft.airUnit);
      return value
        ? {
            value,
            ...(reservoir ? { reservoir } : {}),
            ...(note.method ? { method: note.method } : {}),
            ...(distances && note.method === 'pin-distance' ? { distances } : {}),
            ...(note.presses ? { presses: note.presses } : {}),
          }
        : null;
    }
    case 'stroke-free':
      return texts.value ? { value: texts.value, method: note.method === 'hand' ? 'hand' : 'bar' } : null;
    case 'lining': {
      const points = Object.values(texts).filter((each): each is string => each !== undefined);
      return points.length ? { points } : null;
    }
    case 'tread': {
      const grooves = note.several ? treadGrid(note, texts) : texts.value ? [[texts.value]] : null;
      return grooves ? { grooves, ...(note.wear?.length ? { wear: note.wear } : {}) } : null;
    }
    case 'drum':
    case 'rotor':
    case 'end-play':
    case 'mud-flap':
      return texts.value ? pick(texts, 'value', 'marked') : null;
    case 'pressure':
      return texts.value
        ? {
            ...pick(texts, 'value', 'target', 'sidewallMax', 'temperature', 'coldTemperature'),
            ...(note.hot ? { hot: true, ...(note.heavy === undefined ? {} : { heavy: note.heavy }) } : {}),
          }
        : null;
    case 'king-pin': {
      const pin = pair(texts, 'pin0', 'pin1');
      const collar = pair(texts, 'collar0', 'collar1');
      return pin ? { pin, ...(collar ? { collar } : {}) } : null;
    }
    case 'dual': {
      const diameters = pair(texts, 'inner', 'outer');
      if (note.touching === undefined && !diameters) return null;
      return {
        ...(note.touching === undefined ? {} : { touching: note.touching }),
        ...(diameters && note.size ? { diameters, size: note.size } : {}),
      };
    }
    case 'hub-oil': {
      const { level, condition, leak, cap, smoking, heat } = note;
      const noted = Object.entries({ level, condition, leak, cap, smoking, heat }).filter(
        ([, each]) => each !== undefined,
      );
      return noted.length ? Object.fromEntries(noted) : null;
    }
    case 'wheel-nuts': {
      const holes = note.holes ?? draft.carried.holes;
      const { loose = [], missing = [], rust = [] } = note;
      return holes && note.holes ? { holes, loose, missing, rust } : null;
    }
    case 'slider-pins':
      return note.pins !== undefined && note.seated !== undefined ? { pins: note.pins, seated: note.seated } : null;
    case 'air-test':
      return airBody(draft, step, texts);
    case 'check':
      return note.found
        ? {
            check: step.item,
            found: note.found,
            how: note.how ?? 'seen',
            ...(note.words?.trim() ? { words: note.words.trim() } : {}),
          }
        : null;
  }
}

function treadGrid(note: { places?: number; grooves?: number }, texts: Texts): string[][] | null {
  const [places, grooves] = [note.places ?? DEFAULT_PLACES, note.grooves ?? DEFAULT_GROOVES];
  const rows = Array.from({ length: places }, (_, place) =>
    Array.from({ length: grooves }, (__, groove) => texts[grooveField(place, groove)]),
  );
  // A place counts when all its grooves were read; a place begun and not ended keeps the reading from being taken.
  const begun = rows.filter((row) => row.some((each) => each !== undefined));
  const whole = begun.filter((row): row is string[] => row.every((each) => each !== undefined));
  return begun.length && whole.length === begun.length ? whole : null;
}

function airBody(draft: Draft, step: Step, texts: Texts): Record<string, unknown> | null {
  const { note } = entryOf(draft, step);
  const test = step.item as AirTest;
  const vehicles = note.vehicles ?? draft.carried.vehicles ?? 'single';
  if (isLeakTest(test))
    return texts.start && texts.end && note.seconds
      ? { test, start: texts.start, end: texts.end, seconds: note.seconds, vehicles }
      : null;
  if (test === 'build-up') return note.seconds ? { test, seconds: note.seconds } : null;
  const given = pick(texts, 'value', 'cutIn', 'cutOut');
  const needed = test === 'governor' ? Object.keys(given).length > 0 : texts.value !== undefined;
  return needed ? { test, ...given } : null;
}

/** The reading that the entry stands for now; `message` is null while nothing, or not everything needed, is entered yet. */
export function composed(draft: Draft, step: Step): Composed {
  const texts: Texts = {};
  for (const field of fieldsOf(draft, step)) {
    const text = written(draft, step, field);
    if (text && !text.ok) return { ok: false, message: text.message };
    if (text?.ok) texts[field.id] = text.text;
  }
  const given = body(draft, step, texts);
  if (given === null) return NOTHING;
  if (typeof given === 'string') return { ok: false, message: given };
  const { axle, side, tyre } = step;
  const parsed = readingSchema.safeParse({
    kind: step.kind,
    ...(axle ? { axle } : {}),
    ...(side ? { side } : {}),
    ...(tyre ? { tyre } : {}),
    ...given,
  });
  if (!parsed.success) return { ok: false, message: parsed.error.issues[0]?.message ?? '' };
  const against = contradiction(parsed.data);
  return against ? { ok: false, message: against.message } : { ok: true, value: parsed.data };
}
