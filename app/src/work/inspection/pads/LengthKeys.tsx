import type { PadUnit } from '@zealous-axle/core';
import { memo, useMemo } from 'react';
import { View } from 'react-native';
import { useStable } from '../../../parts/useStable';
import type { PadField } from '../kinds/kind';
import { Key } from './Key';
import {
  EIGHTHS,
  fractionOf,
  pressDigit,
  pressEighth,
  pressFraction,
  pressHalfStep,
  pressTape,
  pressWhole,
  SIXTEENTHS,
  THIRTY_SECONDS,
  THOUSANDTHS,
  wholeOf,
} from './keys';

interface Props {
  keys: PadField['keys'];
  wholes: { keys: readonly number[]; usual: number };
  padUnit: PadUnit;
  typed: string;
  onType: (typed: string) => void;
}

const rowsOf = <K,>(keys: readonly K[], width: number): K[][] =>
  Array.from({ length: Math.ceil(keys.length / width) }, (_, row) => keys.slice(row * width, (row + 1) * width));

interface KeyOf {
  label: string;
  /** What assistive technology calls it, where that is more than its label. */
  name?: string;
}

interface RowProps {
  keys: readonly KeyOf[];
  /** The label of the key that is chosen, if it is one of this row. */
  chosen?: string;
  onKey: (label: string) => void;
  wide?: boolean;
}

/** A row of keys: drawn again only when its own choice changes. */
const Row = memo(function Row({ keys, chosen, onKey, wide }: RowProps) {
  return (
    <View className="flex-row flex-wrap gap-2">
      {keys.map(({ label, name }) => (
        <Key key={label} label={label} name={name} chosen={chosen === label} onKey={onKey} wide={wide} />
      ))}
    </View>
  );
});

const Rows = ({ rows, chosen, onKey, wide }: { rows: readonly RowProps['keys'][] } & Omit<RowProps, 'keys'>) => (
  <View className="gap-2">
    {rows.map((keys) => (
      <Row
        key={keys[0]?.label}
        keys={keys}
        chosen={keys.some(({ label }) => label === chosen) ? chosen : undefined}
        onKey={onKey}
        wide={wide}
      />
    ))}
  </View>
);

const HALF_STEP = '+1/32';
const inches = (whole: number) => `${whole}″`;
const PART_ROWS = rowsOf<KeyOf>(
  [...SIXTEENTHS.map((label) => ({ label })), { label: HALF_STEP, name: 'One thirty-second more' }],
  4,
);

/** Whole inches, fifteen sixteenths, and the half step between two of them. */
function FractionKeys({ wholes: { keys: wholes, usual }, padUnit, typed, onType }: Props) {
  const whole = useStable((label: string) => onType(pressWhole(typed, Number.parseInt(label, 10))));
  const press = useStable((label: string) =>
    onType(label === HALF_STEP ? pressHalfStep(usual, typed, padUnit) : pressFraction(usual, typed, label)),
  );
  const wholeKeys = useMemo(() => wholes.map((each) => ({ label: inches(each), name: `${each} inches` })), [wholes]);
  return (
    <View className="gap-2">
      <Row keys={wholeKeys} chosen={inches(wholeOf(usual, typed))} onKey={whole} />
      <Rows rows={PART_ROWS} chosen={fractionOf(typed) ?? undefined} onKey={press} wide />
    </View>
  );
}

const TREAD_ROWS = rowsOf<KeyOf>(
  THIRTY_SECONDS.map((count) => ({ label: String(count), name: `${count} thirty-seconds` })),
  5,
);

function TreadKeys({ typed, onType }: Props) {
  const press = useStable(onType);
  return <Rows rows={TREAD_ROWS} chosen={typed} onKey={press} />;
}

const THOUSANDTH_ROWS = rowsOf<KeyOf>(
  THOUSANDTHS.map((label, count) => ({ label: label.slice(1), name: `${count} thousandths` })),
  5,
);

/** A small play in one tap; any other by its digits. */
function ThousandthKeys({ typed, onType }: Pick<Props, 'typed' | 'onType'>) {
  const press = useStable((label: string) => onType(`0${label}`));
  return (
    <View className="gap-4">
      <Rows rows={THOUSANDTH_ROWS} chosen={typed.slice(1)} onKey={press} wide />
      <NumberKeys typed={typed} onType={onType} />
    </View>
  );
}

const digitRows = (first: KeyOf): KeyOf[][] => [
  [{ label: '1' }, { label: '2' }, { label: '3' }],
  [{ label: '4' }, { label: '5' }, { label: '6' }],
  [{ label: '7' }, { label: '8' }, { label: '9' }],
  [first, { label: '0' }, { label: '⌫', name: 'Undo the last digit' }],
];
const TAPE_ROWS = [
  ...digitRows({ label: '0' }).slice(0, 3),
  [{ label: '0' }, { label: '⌫', name: 'Undo the last digit' }],
];
const DECIMAL_ROWS = digitRows({ label: '.' });
const SIGNED_ROWS = digitRows({ label: '±', name: 'Below or above zero' });

/** Plain digits, for millimetres, decimals and pressures; whole numbers with a sign for temperatures. */
export function NumberKeys({ typed, onType, signed }: Pick<Props, 'typed' | 'onType'> & { signed?: boolean }) {
  const press = useStable((key: string) => onType(pressDigit(typed, key)));
  return <Rows rows={signed ? SIGNED_ROWS : DECIMAL_ROWS} onKey={press} />;
}

const TAPE_KEYS = EIGHTHS.map((label) => ({ label }));

/** Inches of any size as a tape shows them: whole ones by their digits, then the eighth. */
function TapeKeys({ typed, onType }: Pick<Props, 'typed' | 'onType'>) {
  const whole = useStable((key: string) => onType(pressTape(typed, key)));
  const eighth = useStable((label: string) => onType(pressEighth(typed, label)));
  return (
    <View className="gap-2">
      <Rows rows={TAPE_ROWS} onKey={whole} />
      <Row keys={TAPE_KEYS} chosen={fractionOf(typed) ?? undefined} onKey={eighth} wide />
    </View>
  );
}

/** The keys for the unit in use: a whole reading is one or two taps. */
export function LengthKeys(props: Props) {
  if (props.padUnit === 'in' && props.keys === '32nds') return <TreadKeys {...props} />;
  if (props.padUnit === 'in' && props.keys === 'fraction') return <FractionKeys {...props} />;
  if (props.padUnit === 'in' && props.keys === 'tape') return <TapeKeys {...props} />;
  if (props.padUnit === 'in' && props.keys === 'thousandths') return <ThousandthKeys {...props} />;
  return <NumberKeys typed={props.typed} onType={props.onType} />;
}
