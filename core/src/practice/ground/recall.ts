import { createEmptyCard, fsrs, type Grade, type Card as Memory, Rating } from 'ts-fsrs';

/** How well a card was known. */
export const GRADES = ['again', 'hard', 'good', 'easy'] as const;
export type CardGrade = (typeof GRADES)[number];
const RATING: Record<CardGrade, Grade> = {
  again: Rating.Again,
  hard: Rating.Hard,
  good: Rating.Good,
  easy: Rating.Easy,
};

/** What is remembered of one card, as the device keeps it: instants as ISO texts. */
export interface Learnt {
  card: string;
  due: string;
  memory: Omit<Memory, 'due' | 'last_review'> & { last_review?: string };
}

// Without chance: the same answers give the same days on every device.
const scheduler = fsrs({ enable_fuzz: false });

const memoryOf = (learnt: Learnt | null, now: Date): Memory =>
  learnt
    ? ({
        ...learnt.memory,
        due: new Date(learnt.due),
        ...(learnt.memory.last_review ? { last_review: new Date(learnt.memory.last_review) } : {}),
      } as Memory)
    : createEmptyCard(now);

/** A card after it was answered: when it is asked again, and what is remembered of it. */
export function answered(card: string, learnt: Learnt | null, grade: CardGrade, now: Date): Learnt {
  const { due, last_review, ...memory } = scheduler.next(memoryOf(learnt, now), now, RATING[grade]).card;
  return {
    card,
    due: due.toISOString(),
    memory: { ...memory, ...(last_review ? { last_review: last_review.toISOString() } : {}) },
  };
}

/** Cards to be asked now: those due, the longest waiting first, then new ones, so many of them. */
export function toRecall(
  cards: readonly { id: string }[],
  learnt: ReadonlyMap<string, Learnt>,
  now: Date,
  fresh: number,
): string[] {
  const at = now.toISOString();
  const due = cards.flatMap(({ id }) => {
    const known = learnt.get(id);
    return known && known.due <= at ? [known] : [];
  });
  const unseen = cards.filter(({ id }) => !learnt.has(id)).slice(0, fresh);
  return [...due.sort((a, b) => (a.due < b.due ? -1 : 1)).map(({ card }) => card), ...unseen.map(({ id }) => id)];
}
