import { z } from 'zod';

export const GAUGE_KINDS = ['stroke', 'lining', 'tread'] as const;
export type GaugeKind = (typeof GAUGE_KINDS)[number];

/** Where a reading came from when a gauge sent it. */
export const gaugeSourceSchema = z.strictObject({
  kind: z.enum(GAUGE_KINDS),
  serial: z.string().min(1).max(20),
  sequence: z.int().min(0).max(999_999),
});
export type GaugeSource = z.infer<typeof gaugeSourceSchema>;
