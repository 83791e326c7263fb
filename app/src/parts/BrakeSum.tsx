import type { BrakeCount } from '@zealous-axle/core';
import { View } from 'react-native';
import { Text } from './Text';

/** The share of brakes that holds a unit, as the book has it: numerator and denominator. */
type Share = readonly [number, number];

const brakes = (count: number) => `${count} ${count === 1 ? 'brake' : 'brakes'}`;

function Line({ label, sum, strong }: { label: string; sum: string; strong?: boolean }) {
  return (
    <View className="flex-row items-baseline justify-between gap-3 py-1">
      <Text className="min-w-0 flex-1" bold={strong}>
        {label}
      </Text>
      <Text reading bold={strong} className="shrink-0 text-right">
        {sum}
      </Text>
    </View>
  );
}

/** What the sum says, and of how many brakes it says anything. */
function settledWords({ outOfService, outOfServiceAt, defective, measured, total }: BrakeCount, open: boolean): string {
  if (outOfService) return `${defective} is at or over ${outOfServiceAt}: out of service by brake count.`;
  if (open) return `Not decided: ${measured} of ${brakes(total)} measured.`;
  if (measured === 0) return 'No brake was measured here, so there is no brake count.';
  const by = measured < total ? `by the ${measured} of ${brakes(total)} measured, ` : '';
  return `Less than ${outOfServiceAt}: ${by}not out of service by brake count.`;
}

/** Whether the share of defective brakes holds a unit, by a book that has one. */
function Settled({ count, share: [top, bottom], open }: { count: BrakeCount; share: Share; open: boolean }) {
  const percent = `${Math.round((100 * top) / bottom)} %`;
  return (
    <>
      <Line label={`Out of service at ${percent} of ${brakes(count.total)}`} sum={`${count.outOfServiceAt}`} />
      <Text
        bold
        tone={count.outOfService ? 'out' : open || count.measured < count.total ? 'open' : 'within'}
        className="pt-1"
      >
        {settledWords(count, open)}
      </Text>
    </>
  );
}

/** The brake count worked out like a sum on paper. */
export function BrakeSum({ count, share }: { count: BrakeCount; share: Share | null }) {
  if (count.total === 0) return <Text tone="soft">This unit has no brakes to count.</Text>;
  const range = count.defectiveAtMost > count.defective;
  const open = range && !count.outOfService && count.defectiveAtMost >= (count.outOfServiceAt ?? 0);
  return (
    <View>
      <Line label="Brakes that count as 1" sum={`${count.full} × 1`} />
      <Line label="Brakes that count as ½ (two make 1)" sum={`${count.half} × ½`} />
      <View className="border-t-2 border-ink" />
      <Line
        strong
        label={range ? 'Defective, at least and at most' : 'Defective'}
        sum={range ? `${count.defective} to ${count.defectiveAtMost}` : String(count.defective)}
      />
      {share && count.outOfServiceAt !== null ? <Settled count={count} share={share} open={open} /> : null}
    </View>
  );
}
