/** What is practised, and what came of it. The ground itself – trailers, drawings, drills – stands in `ground`. */
export { EXAM_CODE, exerciseSchema, PRACTICE_COMMANDS } from './commands';
export { EXERCISE_WORDS, EXERCISES, type Exercise, type ExerciseKind, isExercise } from './exercise';
export { tooFast } from './pace';
export * from './views';
