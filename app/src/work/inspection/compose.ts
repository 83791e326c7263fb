import {
  type Composed,
  contradiction,
  type Draft,
  entryOf,
  isChocked,
  parseLength,
  parsePressure,
  parseTemperature,
  type Reading,
  readingSchema,
  type Step,
  textOf,
} from '@zealous-axle/core';
import { fieldsOf } from './fields';
import { type PadField, padOf } from './kinds';
import { pressureText, temperatureText, writtenLength } from './written';

const NOTHING: Composed = { ok: false, message: null };

/** A field as written for the wire, or why it cannot be; null while it is empty. */
function written(
  draft: Draft,
  step: Step,
  field: PadField,
): { ok: true; text: string } | { ok: false; message: string } | null {
  const typed = textOf(draft, step, field.id);
  if (typed.trim() === '') return null;
  if (field.keys === 'year')
    return /^\d{4}$/.test(typed.trim())
      ? { ok: true, text: typed.trim() }
      : { ok: false, message: 'Write a year like 2019.' };
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

/** What an unfinished entry would say already, where its kind knows: what is past its limit stays so whatever follows. */
export function composedSoFar(draft: Draft, step: Step): Reading | null {
  const { soFar } = padOf(step.kind);
  const made = soFar ? composed(draft, step, soFar) : null;
  return made?.ok ? made.value : null;
}

/** The reading that the entry stands for now; `message` is null while nothing, or not everything needed, is entered yet. */
export function composed(draft: Draft, step: Step, body = padOf(step.kind).body): Composed {
  const texts: Record<string, string | undefined> = {};
  for (const field of fieldsOf(draft, step)) {
    const text = written(draft, step, field);
    if (text && !text.ok) return { ok: false, message: text.message };
    if (text?.ok) texts[field.id] = text.text;
  }
  const given = body({ draft, step, entry: entryOf(draft, step) }, texts);
  if (given === null) return NOTHING;
  if (typeof given === 'string') return { ok: false, message: given };
  const { axle, side, tyre } = step;
  const parsed = readingSchema.safeParse({
    kind: step.kind,
    ...(axle ? { axle } : {}),
    ...(side ? { side } : {}),
    ...(tyre ? { tyre } : {}),
    ...given,
    ...(draft.chocked && isChocked(step) ? { chocked: true } : {}),
  });
  if (!parsed.success) return { ok: false, message: parsed.error.issues[0]?.message ?? '' };
  const against = contradiction(parsed.data);
  return against ? { ok: false, message: against.message } : { ok: true, value: parsed.data };
}
