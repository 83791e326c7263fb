import { type KindPad, optionalField, valueBody, valueField } from './kind';

export const drum: KindPad = {
  how: () => 'Inside diameter at the widest place. The mark on the drum decides.',
  fields: () => [valueField('Diameter', 'decimal'), optionalField('marked', 'Discard, as marked', 'decimal')],
  body: valueBody('marked'),
  limited: () => ({ reading: 'drum' }),
};
