import { z } from 'zod';
import { type Day, dayText, distanceText, wordsText } from '../../measure';
import { COUNTED } from '../../repair/money';
import { type Reader, withUnit } from './reader';
import type { DayOrder } from './written-day';

/** A repair of before, as a list tells it: nobody measured or certified it here. */
export const movedRepairSchema = z.strictObject({
  unit: wordsText(20),
  day: dayText,
  work: wordsText(500),
  by: z.string().trim().max(80).optional(),
  meter: distanceText.optional(),
  /** In hundredths of the fleet's money. */
  cost: COUNTED.optional(),
});
export type MovedRepair = z.infer<typeof movedRepairSchema>;

export function movedRepair(
  read: Reader,
  { days, distance, today }: { days: DayOrder; distance: 'mi' | 'km'; today: Day },
): Partial<MovedRepair> {
  read.must('day', 'No date.');
  const [meter, by, cost] = [read.text('meter'), read.text('by'), read.money('cost')];
  return {
    unit: read.text('number'),
    day: read.past('day', days, today) as string,
    work: read.must('work', 'No work description.'),
    ...(by ? { by } : {}),
    ...(meter ? { meter: withUnit(meter, distance) } : {}),
    ...(cost === undefined ? {} : { cost }),
  };
}
