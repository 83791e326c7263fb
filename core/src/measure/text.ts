import { z } from 'zod';
import { parseClearance } from './clearance';
import { parseDistance } from './distance';
import { type BareLength, parseLength } from './length';
import type { Parsed } from './parsed';
import { parsePressure } from './pressure';
import { parseTemperature } from './temperature';
import { parseWeight } from './weight';

/** A quantity as a person writes it; refused with the parser's own sentence. */
const written = (parse: (text: string) => Parsed<number>) =>
  z
    .string()
    .max(40)
    .superRefine((text, context) => {
      const parsed = parse(text);
      if (!parsed.ok) context.addIssue({ code: 'custom', message: parsed.message });
    });

const length = (bare: BareLength) => written((text) => parseLength(text, bare));

export const lengthText = length('none');
/** Tread alone may be written as bare thirty-seconds: `6/32`. */
export const treadText = length('32nds');
export const pressureText = written(parsePressure);
/** How high or wide a unit is. */
export const clearanceText = written(parseClearance);
export const weightText = written(parseWeight);
export const temperatureText = written(parseTemperature);

/** A distance as an odometer shows it, with its unit. */
export const distanceText = z
  .string()
  .trim()
  .max(30)
  .refine((text) => parseDistance(text).ok, 'write a distance like 48 210 km or 29,950 mi');

/** A plain decimal, without a unit: a count, or a figure whose unit stands beside it. */
export const decimalText = z
  .string()
  .trim()
  .max(12)
  .regex(/^\d{1,6}(\.\d{1,4})?$/, 'write a number like 12 or 3.5');
/** A plain date: `2026-03-02`. */
export const dayText = z.iso.date();
/** Some words, never none. */
export const wordsText = (most: number) => z.string().trim().min(1).max(most);
