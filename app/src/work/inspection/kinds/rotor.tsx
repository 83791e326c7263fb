import { type KindPad, optionalField, valueBody, valueField } from './kind';

export const rotor: KindPad = {
  how: () => 'Thickness at the thinnest place. The mark on the rotor decides.',
  fields: () => [valueField('Thickness', 'decimal'), optionalField('marked', 'Discard, as marked', 'decimal')],
  body: valueBody('marked'),
  limited: () => ({ reading: 'rotor' }),
};
