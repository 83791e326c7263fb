import { z } from 'zod';
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
  serviceHour: 'An hour of its work',
  lostHour: 'An hour of a load that waits',
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

const ROAD_STATES = ['asked', 'accepted', 'arrived', 'done'] as const;
/** A road service as its provider tells of it. */
const roadCallSchema = z.strictObject({
  id: z.string(),
  defect: z.string(),
  place: z.string(),
  asked: z.strictObject({ by: z.string(), at: z.string() }),
  state: z.enum(ROAD_STATES),
  /** When it says it is there, or was. */
  eta: z.string().nullable(),
  report: z.strictObject({ done: z.string(), parts: z.string(), minutes: z.int(), invoice: z.int() }).nullable(),
  /** The job its report became. */
  job: z.string().nullable(),
});
export type RoadCall = z.infer<typeof roadCallSchema>;
export const roadSchema = z.strictObject({ costs: roadCostsSchema.nullable(), calls: z.array(roadCallSchema) });
export type Road = z.infer<typeof roadSchema>;
