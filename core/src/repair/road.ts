import { z } from 'zod';
import { wordsText } from '../measure';
import { OUTSIDE_SOURCES, OUTSIDE_WAYS } from '../outside';
import { COUNTED } from './money';

/** What the road costs this shop, as it set it: money in hundredths, points as they are counted where it runs. */
export const roadCostsSchema = z.strictObject({
  callOut: COUNTED,
  serviceHour: COUNTED,
  lostHour: COUNTED,
  fine: COUNTED,
  points: z.int().min(0).max(1_000),
});
export type RoadCosts = z.infer<typeof roadCostsSchema>;
export const COST_WORDS: Record<keyof RoadCosts, string> = {
  callOut: 'Call-out of the road service',
  serviceHour: 'One hour of its work',
  lostHour: 'One hour of a waiting load',
  fine: 'Fine, if it is found on the road',
  points: 'Points, if it is found on the road',
};

/** Minutes each way would take. */
export interface RoadQuestion {
  untilService: number;
  work: number;
  toShop: number;
}
export interface CostLine {
  cost: keyof RoadCosts;
  minutes: number | null;
  sum: number;
}
export interface RoadWay {
  lines: CostLine[];
  sum: number;
}

const forMinutes = (cost: 'serviceHour' | 'lostHour', costs: RoadCosts, minutes: number): CostLine => ({
  cost,
  minutes,
  sum: Math.round((costs[cost] * minutes) / 60),
});
const once = (cost: 'callOut' | 'fine', costs: RoadCosts): CostLine => ({ cost, minutes: null, sum: costs[cost] });
const way = (...lines: CostLine[]): RoadWay => ({ lines, sum: lines.reduce((sum, line) => sum + line.sum, 0) });

/** What each way costs by the shop's own figures, beside each other: a person decides. */
export const roadWays = (costs: RoadCosts, { untilService, work, toShop }: RoadQuestion) => ({
  service: way(
    once('callOut', costs),
    forMinutes('serviceHour', costs, work),
    forMinutes('lostHour', costs, untilService + work),
  ),
  drive: way(forMinutes('lostHour', costs, toShop)),
  found: way(forMinutes('lostHour', costs, toShop), once('fine', costs)),
});

/** What may become of a call for help. */
export const ROAD_ANSWERS = ['accepted', 'arrived', 'done', 'refused', 'cancelled'] as const;
export type RoadAnswer = (typeof ROAD_ANSWERS)[number];
export const ROAD_STATES = ['asked', ...ROAD_ANSWERS] as const;
export type RoadState = (typeof ROAD_STATES)[number];

/** What a road service did, as it or somebody there tells: money in hundredths. */
export const roadReportSchema = z.strictObject({
  done: wordsText(300),
  parts: z.string().trim().max(300),
  minutes: z.int().min(0).max(10_000),
  invoice: COUNTED,
});
export type RoadReport = z.infer<typeof roadReportSchema>;

/** What is told of a call: typed by hand, or by the provider through its protocol. */
export const roadAnswerSchema = z
  .strictObject({
    state: z.enum(ROAD_ANSWERS),
    /** When it says it is there: an instant. */
    eta: z.iso.datetime({ offset: true }).optional(),
    /** What was agreed, or why not. */
    words: z.string().trim().max(300).optional(),
    report: roadReportSchema.optional(),
  })
  .refine(({ state, report }) => state === 'done' || !report, {
    path: ['report'],
    message: 'only what is done has a report',
  });

const roadCallSchema = z.strictObject({
  id: z.string(),
  defect: z.string(),
  place: z.string(),
  asked: z.strictObject({ by: z.string(), at: z.string() }),
  /** How the fleet was connected when it asked. */
  way: z.enum(OUTSIDE_WAYS),
  state: z.enum(ROAD_STATES),
  eta: z.string().nullable(),
  words: z.string(),
  /** Who told of its state; null where a system did. */
  told: z.strictObject({ by: z.string().nullable(), at: z.string(), source: z.enum(OUTSIDE_SOURCES) }).nullable(),
  report: roadReportSchema.nullable(),
  /** Why the provider could not be told yet; null where it was, or is not connected. */
  problem: z.string().nullable(),
  /** Nobody tries to tell it any more. */
  givenUp: z.boolean(),
  /** Photos of it, the invoice among them. */
  photos: z.array(z.string()),
  /** The job its report became. */
  job: z.string().nullable(),
});
export type RoadCall = z.infer<typeof roadCallSchema>;

export const roadSchema = z.strictObject({
  costs: roadCostsSchema.nullable(),
  /** How the fleet asks for road service, and the number it wrote down. */
  way: z.enum(OUTSIDE_WAYS),
  phone: z.string(),
  calls: z.array(roadCallSchema),
});
export type Road = z.infer<typeof roadSchema>;

/** The key under which a photo is of a call: its invoice, or what was done. */
export const roadPhotoKey = (call: string): string => `road:${call}`;
