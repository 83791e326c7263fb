import { field, type KindPad, pair } from './kind';

export const scribeMarks: KindPad = {
  how: () => 'How far the scribe mark of each lining moves on a full application.',
  fields: () => [field('mark0', 'First mark', 'fraction'), field('mark1', 'Second mark', 'fraction')],
  body: (_, texts) => {
    const marks = pair(texts, 'mark0', 'mark1');
    return marks ? { marks } : null;
  },
};
