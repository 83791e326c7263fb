import { Choice } from '../../../parts/Choice';
import { type KindPad, type PadProps, valueField } from './kind';

const METHODS = [
  { value: 'bar', label: 'By bar' },
  { value: 'hand', label: 'By hand' },
] as const;
type Method = (typeof METHODS)[number]['value'];

const methodOf = ({ entry: { note } }: Pick<PadProps, 'entry'>): Method => (note.method === 'hand' ? 'hand' : 'bar');

function Options(pad: PadProps) {
  return (
    <Choice
      label="Moved"
      hideLabel
      options={METHODS}
      value={methodOf(pad)}
      onChange={(method) => pad.note({ method })}
    />
  );
}

export const strokeFree: KindPad = {
  how: () => 'Brakes released: move the adjuster until the lining touches. Never compare this with the applied limit.',
  fields: () => [valueField('Free stroke', 'fraction')],
  body: (at, texts) => (texts.value ? { value: texts.value, method: methodOf(at) } : null),
  limited: (at) => ({ reading: methodOf(at) === 'hand' ? 'stroke-free-hand' : 'stroke-free' }),
  wholes: { keys: [0, 1, 2], usual: 0 },
  Options,
};
