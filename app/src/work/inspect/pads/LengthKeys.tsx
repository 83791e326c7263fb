import { memo } from 'react';
import { View } from 'react-native';
import type { PadUnit } from '../../../data/draft';
import type { Field } from '../../../data/fields';
import { useStable } from '../../../parts/useStable';
import { Key } from './Key';
import {
  fractionOf,
  pressDigit,
  pressFraction,
  pressHalfStep,
  pressWhole,
  SIXTEENTHS,
  THIRTY_SECONDS,
  wholeOf,
} from './keys';

interface Props {
  keys: Field['keys'];
  wholes: { keys: readonly number[]; usual: number };
  padUnit: PadUnit;
  typed: string;
  onType: (typed: string) => void;
}

const rowsOf = <K,>(keys: readonly K[], width: number): K[][] =>
  Array.from({ length: Math.ceil(keys.length / width) }, (_, row) => keys.slice(row * width, (row + 1) * width));

const Row = ({ children }: { children: React.ReactNode }) => <View className="flex-row gap-2">{children}</View>;

const HALF_STEP = '+1/32';
const inches = (whole: number) => `${whole}″`;

/** Whole inches, fifteen sixteenths, and the half step between two of them. */
function FractionKeys({ wholes: { keys: wholes, usual }, padUnit, typed, onType }: Props) {
  const fraction = fractionOf(typed);
  const whole = useStable((label: string) => onType(pressWhole(typed, Number.parseInt(label, 10))));
  const press = useStable((label: string) =>
    onType(label === HALF_STEP ? pressHalfStep(usual, typed, padUnit) : pressFraction(usual, typed, label)),
  );
  return (
    <View className="gap-2">
      <Row>
        {wholes.map((each) => (
          <Key
            key={each}
            label={inches(each)}
            name={`${each} inches`}
            chosen={wholeOf(usual, typed) === each}
            onKey={whole}
          />
        ))}
      </Row>
      {rowsOf([...SIXTEENTHS, HALF_STEP], 4).map((row) => (
        <Row key={row[0]}>
          {row.map((key) => (
            <Key
              key={key}
              label={key}
              name={key === HALF_STEP ? 'One thirty-second more' : undefined}
              chosen={fraction === key}
              onKey={press}
            />
          ))}
        </Row>
      ))}
    </View>
  );
}

function TreadKeys({ typed, onType }: Props) {
  const press = useStable(onType);
  return (
    <View className="gap-2">
      {rowsOf(THIRTY_SECONDS, 5).map((row) => (
        <Row key={row[0]}>
          {row.map((count) => (
            <Key
              key={count}
              label={String(count)}
              name={`${count} thirty-seconds`}
              chosen={typed === String(count)}
              onKey={press}
            />
          ))}
        </Row>
      ))}
    </View>
  );
}

const DIGITS = [
  ['1', '2', '3'],
  ['4', '5', '6'],
  ['7', '8', '9'],
  ['.', '0', '⌫'],
] as const;

const NumberRows = memo(function NumberRows({ onKey }: { onKey: (key: string) => void }) {
  return (
    <View className="gap-2">
      {DIGITS.map((row) => (
        <Row key={row[0]}>
          {row.map((key) => (
            <Key key={key} label={key} name={key === '⌫' ? 'Take back the last digit' : key} onKey={onKey} />
          ))}
        </Row>
      ))}
    </View>
  );
});

/** Plain digits, for millimetres, decimals and pressures. */
export function NumberKeys({ typed, onType }: Pick<Props, 'typed' | 'onType'>) {
  const press = useStable((key: string) => onType(pressDigit(typed, key)));
  return <NumberRows onKey={press} />;
}

/** The keys for the unit in use: a whole reading is one or two taps. */
export function LengthKeys(props: Props) {
  if (props.padUnit === 'in' && props.keys === '32nds') return <TreadKeys {...props} />;
  if (props.padUnit === 'in' && props.keys === 'fraction') return <FractionKeys {...props} />;
  return <NumberKeys typed={props.typed} onType={props.onType} />;
}
