import { View } from 'react-native';
import type { PadUnit } from '../../../data/draft';
import type { Field } from '../../../data/fields';
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

/** Whole inches, fifteen sixteenths, and the half step between two of them. */
function FractionKeys({ wholes: { keys: wholes, usual }, padUnit, typed, onType }: Props) {
  const fraction = fractionOf(typed);
  return (
    <View className="gap-2">
      <Row>
        {wholes.map((whole) => (
          <Key
            key={whole}
            label={`${whole}″`}
            name={`${whole} inches`}
            chosen={wholeOf(usual, typed) === whole}
            onPress={() => onType(pressWhole(typed, whole))}
          />
        ))}
      </Row>
      {rowsOf([...SIXTEENTHS, '+1/32'], 4).map((row) => (
        <Row key={row[0]}>
          {row.map((key) =>
            key === '+1/32' ? (
              <Key
                key={key}
                label={key}
                name="One thirty-second more"
                onPress={() => onType(pressHalfStep(usual, typed, padUnit))}
              />
            ) : (
              <Key
                key={key}
                label={key}
                chosen={fraction === key}
                onPress={() => onType(pressFraction(usual, typed, key))}
              />
            ),
          )}
        </Row>
      ))}
    </View>
  );
}

function TreadKeys({ typed, onType }: Props) {
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
              onPress={() => onType(String(count))}
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

/** Plain digits, for millimetres, decimals and pressures. */
export function NumberKeys({ typed, onType }: Pick<Props, 'typed' | 'onType'>) {
  return (
    <View className="gap-2">
      {DIGITS.map((row) => (
        <Row key={row[0]}>
          {row.map((key) => (
            <Key
              key={key}
              label={key}
              name={key === '⌫' ? 'Take back the last digit' : key}
              onPress={() => onType(pressDigit(typed, key))}
            />
          ))}
        </Row>
      ))}
    </View>
  );
}

/** The keys for the unit in use: a whole reading is one or two taps. */
export function LengthKeys(props: Props) {
  if (props.padUnit === 'in' && props.keys === '32nds') return <TreadKeys {...props} />;
  if (props.padUnit === 'in' && props.keys === 'fraction') return <FractionKeys {...props} />;
  return <NumberKeys typed={props.typed} onType={props.onType} />;
}
