/** What is practised, and what came of it: it touches no real unit. */
export {
  finishPractice,
  markExam,
  openExam,
  setPracticeTask,
  tellPractice,
  withdrawPracticeTask,
} from './handlers';
export { hasPractised } from './queries';
export { practiceRoutes } from './routes';
