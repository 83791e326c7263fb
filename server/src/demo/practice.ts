import { type CommandBody, dayAfter } from '@zealous-axle/core';
import type { Teller } from './teller';

type Finished = CommandBody<'finish-practice'>;
/** Hours. */
const DAY = 24;
const NM_IN_SIXTEENTH = 25_400_000 / 16;

/** Walks of the technician, the oldest first: days ago, marks, what was missed, sixteenths read short. */
const WALKS = [
  { ago: 24, marks: 46, missed: ['Lining', 'Hub oil', 'Free stroke'], short: 2 },
  { ago: 17, marks: 61, missed: ['Lining', 'Hub oil'], short: 1 },
  { ago: 10, marks: 74, missed: ['Lining'], short: 1 },
  { ago: 3, marks: 88, missed: [], short: 1 },
] as const;
const ASKED = [
  'Applied stroke',
  'Free stroke',
  'Lining',
  'Lining by eye',
  'Drum or rotor',
  'Brake hose',
  'Hub oil',
] as const;
const YARD = { what: 'yard', seed: 41, level: 4, of: 'practice-brakes', vehicle: 'trailer' } as const;

/** A class that has practised for some weeks: a task that was passed, one that waits, somebody who reads short. */
export async function tellPractice({ tell, id }: Teller, today: string): Promise<void> {
  const [brakes, air] = [id(), id()];
  const task = { person: null, pass: 80 };
  await tell('foreman', 'set-practice-task', 28 * DAY, {
    ...task,
    task: brakes,
    name: 'Brakes that deceive',
    exercise: YARD,
    due: dayAfter(today, 5),
  });
  const check = { what: 'air', seed: 2, level: null, of: null, vehicle: null } as const;
  await tell('foreman', 'set-practice-task', 2 * DAY, {
    ...task,
    task: air,
    name: 'The air check, in its order',
    exercise: check,
    due: dayAfter(today, 12),
  });
  for (const { ago, marks, missed, short } of WALKS) {
    const items = ASKED.map((item) => ({ item, right: !(missed as readonly string[]).includes(item) }));
    const off: Finished['off'] = [0, short, short, short].map((each) => ({
      kind: 'stroke-applied',
      off: -each * NM_IN_SIXTEENTH,
    }));
    await tell('technician', 'finish-practice', ago * DAY, {
      result: id(),
      task: brakes,
      exercise: YARD,
      marks,
      seconds: 900,
      items,
      off,
    });
  }
  const drill = { what: 'drill', seed: 3, level: null, of: 'hold-or-go', vehicle: null } as const;
  await tell('driver', 'finish-practice', DAY, {
    result: id(),
    task: null,
    exercise: drill,
    marks: 70,
    seconds: 95,
    items: [{ item: 'Hold or go', right: true }],
    off: [],
  });
}
