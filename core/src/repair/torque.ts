import { z } from 'zod';
import { wordsText } from '../measure';

/** Torque as written down: value with its unit, and the tool it was set with. */
export const torqueSchema = z.strictObject({
  value: z
    .string()
    .trim()
    .regex(/^\d{2,4}\s*(lb-ft|N·m|Nm)$/, 'write a torque like 475 lb-ft or 640 N·m'),
  tool: wordsText(80),
});
