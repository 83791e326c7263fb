/** What can be practised: a made-up vehicle, the walk by heart, the air brake check, or a drill. */
export const EXERCISES = ['yard', 'by-heart', 'air', 'drill'] as const;
export type ExerciseKind = (typeof EXERCISES)[number];

/** Enough to make the same again. */
export interface Exercise {
  what: ExerciseKind;
  seed: number;
  level: number | null;
  of: string | null;
  vehicle: string | null;
}

/**
 * Whether what was practised is what a task asks for: the very same made-up thing; of a walk by heart, which has no
 * chance in it, the same form.
 */
export const isExercise = (asked: Exercise, done: Exercise): boolean =>
  asked.what === done.what &&
  asked.of === done.of &&
  (asked.what === 'by-heart' ||
    (asked.seed === done.seed && asked.level === done.level && asked.vehicle === done.vehicle));

export const EXERCISE_WORDS: Record<ExerciseKind, string> = {
  yard: 'The practice yard',
  'by-heart': 'The walk by heart',
  air: 'The air brake check',
  drill: 'A drill',
};
