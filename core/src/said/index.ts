/** Reasons as data: codes with what they are about. No sentence stands here. */
export type { SaidArgs } from './codes';
export {
  type Arg,
  asWritten,
  type Figure,
  figure,
  type List,
  listed,
  type Said,
  type SaidCode,
  said,
  saidSchema,
} from './said';
