import { field, type KindPad, optionalField, pair } from './kind';

export const kingPin: KindPad = {
  how: () => 'At the wear band, in two directions.',
  fields: () => [
    field('pin0', 'Pin, lengthwise', 'decimal'),
    field('pin1', 'Pin, crosswise', 'decimal'),
    optionalField('collar0', 'Collar, lengthwise', 'decimal'),
    optionalField('collar1', 'Collar, crosswise', 'decimal'),
  ],
  body: (_, texts) => {
    const pin = pair(texts, 'pin0', 'pin1');
    const collar = pair(texts, 'collar0', 'collar1');
    return pin ? { pin, ...(collar ? { collar } : {}) } : null;
  },
  limited: () => ({ reading: 'king-pin' }),
};
