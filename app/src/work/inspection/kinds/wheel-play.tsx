import { parseLength } from '@zealous-axle/core';
import { Choice } from '../../../parts/Choice';
import { writtenLength } from '../written';
import { field, type KindPad, type PadProps, pick, valueField } from './kind';

const POWERED = [
  { value: 'yes', label: 'Power steering' },
  { value: 'no', label: 'No power steering' },
] as const;

function Options({ entry: { note }, note: change }: PadProps) {
  return (
    <Choice
      label="Steering"
      hideLabel
      options={POWERED}
      value={note.power === undefined ? null : note.power ? 'yes' : 'no'}
      onChange={(power) => change({ power: power === 'yes' })}
    />
  );
}

export const wheelPlay: KindPad = {
  how: () => 'Engine running, wheels straight: how far the rim turns, one way and back, before the front wheels move.',
  fields: () => [valueField('Play at the rim', 'fraction'), field('wheel', 'Across the steering wheel', 'decimal')],
  body: ({ entry: { note } }, texts) =>
    texts.value && texts.wheel && note.power !== undefined
      ? { ...pick(texts, 'value', 'wheel'), power: note.power }
      : null,
  limited: ({ draft, entry: { note, texts } }) => {
    const wheel = writtenLength('decimal', texts.wheel ?? '', draft.padUnit);
    const known = parseLength(wheel, 'none').ok && note.power !== undefined;
    return known ? { reading: 'wheel-play', asking: { wheel, power: note.power as boolean } } : null;
  },
  wholes: { keys: [0, 1, 2, 3, 4, 5], usual: 1 },
  Options,
};
