import { z } from 'zod';
import { type BareLength, type Parsed, parseLength, parsePressure, parseTemperature } from '../measure';

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
export const temperatureText = written(parseTemperature);
