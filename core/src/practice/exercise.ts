/** What can be practised: a made-up vehicle, the walk by heart, the air brake check, or a drill. */
export const EXERCISES = ['yard', 'by-heart', 'air', 'drill'] as const;
export type ExerciseKind = (typeof EXERCISES)[number];

export const EXERCISE_WORDS: Record<ExerciseKind, string> = {
  yard: 'The practice yard',
  'by-heart': 'The walk by heart',
  air: 'The air brake check',
  drill: 'A drill',
};
