/** Every error there is, in one table. */
export {
  invalid,
  invalidWith,
  KnownProblem,
  notAllowed,
  notNow,
  type ProblemCode,
  problem,
} from './problems';
export { sentence } from './sentences';
