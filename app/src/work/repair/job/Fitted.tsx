import {
  type FittedForm,
  type JobPage,
  LIMITED_BY,
  lengthText,
  positionCode,
  type Renewal,
  type RenewedPart,
  tyresOf,
  wheelEnd,
} from '@zealous-axle/core';
import { View } from 'react-native';
import { FigureText } from '../../../parts/FigureText';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { useUnits } from '../../../session/rules';
import { useTyped } from '../../../session/useTyped';

const PART_WORDS: Record<RenewedPart, string> = {
  lining: 'Lining',
  drum: 'Drum',
  rotor: 'Rotor',
  tyre: 'Tire',
  chamber: 'Chamber',
  adjuster: 'Adjuster',
};
/** Fitted in sets: one number for both ends of an axle. */
const IN_SETS: readonly RenewedPart[] = ['lining', 'drum', 'rotor'];

interface Lot {
  key: string;
  words: string;
  part: RenewedPart;
  at: Omit<FittedForm, 'number' | 'limit'>[];
}

/** The tyres of an end that a job renews: those its reports name, else all of them. */
function tyresAt({ job, defects }: JobPage, { axle, side }: Renewal): FittedForm['tyre'][] {
  const end = wheelEnd(job.unit, axle, side);
  const named = defects.flatMap((each) => (each.axle === axle && each.side === side && each.tyre ? [each.tyre] : []));
  return named.length ? [...new Set(named)] : end ? tyresOf(end) : [null];
}

/** What a job fits new, in lots that share a number. */
function lotsOf(page: JobPage): Lot[] {
  const lots = new Map<string, Lot>();
  for (const renewal of page.work.renews)
    for (const tyre of renewal.part === 'tyre' ? tyresAt(page, renewal) : [null]) {
      const place = IN_SETS.includes(renewal.part) ? `axle ${renewal.axle}` : positionCode({ ...renewal, tyre });
      const key = `${renewal.part} ${place}`;
      const own = lots.get(key) ?? { key, words: `${PART_WORDS[renewal.part]}, ${place}`, part: renewal.part, at: [] };
      own.at.push({ ...renewal, tyre });
      lots.set(key, own);
    }
  return [...lots.values()];
}

interface Printed {
  number: string;
  limit: string;
}
const NOTHING: Printed = { number: '', limit: '' };

const wrongLimit = ({ limit }: Printed): string | null => {
  const read = lengthText.safeParse(limit);
  return limit === '' || read.success ? null : (read.error.issues[0]?.message ?? null);
};

/** What was fitted, as it is written down on this device until the job is done. */
export function useFitted(page: JobPage) {
  const typed = useTyped<Record<string, Printed>>(`fitted ${page.job.id}`, {});
  const lots = lotsOf(page).map((lot) => ({ ...lot, printed: typed?.value[lot.key] ?? NOTHING }));
  return {
    lots,
    right: lots.every(({ printed }) => wrongLimit(printed) === null),
    set: (key: string, printed: Printed) => typed?.change({ [key]: printed }),
    fitted: lots.flatMap(({ at, printed }): FittedForm[] =>
      at.map((place) => ({ ...place, number: printed.number, limit: printed.limit || null })),
    ),
    clear: () => typed?.clear(),
  };
}

/** What is printed on the new parts: it begins their life, and the pad of the re-measure goes by it. */
export function FittedFields({ lots, set }: Pick<ReturnType<typeof useFitted>, 'lots' | 'set'>) {
  const { length } = useUnits();
  if (lots.length === 0) return null;
  return (
    <View className="gap-3">
      <Text bold>What was fitted new</Text>
      <Text size="small" tone="soft">
        As it is printed on the part. If you enter no limit, the old part’s limit stays in force.
      </Text>
      {lots.map(({ key, words, part, printed }) => (
        <View key={key} className="gap-1 border-t border-line pt-2">
          <Text bold>{words}</Text>
          <View className="flex-row gap-2">
            <View className="min-w-0 flex-1">
              <TextField
                label="Part number"
                spoken={`${words}: part number`}
                value={printed.number}
                maxLength={60}
                onChangeText={(number) => set(key, { ...printed, number })}
              />
            </View>
            {LIMITED_BY[part] ? (
              <View className="min-w-0 flex-1">
                <FigureText
                  label="Its limit"
                  spoken={`${words}: its limit`}
                  placeholder={part === 'tyre' ? '4/32 in' : '5/16 in'}
                  value={printed.limit}
                  maxLength={40}
                  error={wrongLimit(printed)}
                  unit={length}
                  ofTread={part === 'tyre'}
                  onValue={(limit) => set(key, { ...printed, limit })}
                />
              </View>
            ) : null}
          </View>
        </View>
      ))}
    </View>
  );
}
