/** Every unit as it stands, and one with all that is known of it. */
export { doJudgeAgain, judgeAllAgain } from './judge-again';
export { keepYard, rebuildYard } from './keep';
export { unitRoutes } from './routes';
