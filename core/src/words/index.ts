/** What the other rooms say as data, in words. Nothing else makes sentences of it. */
export { spoken, spokenFinding, spokenJudgement, spokenWith } from './judged';
export { type Language, type Speaking, sentences } from './words';
