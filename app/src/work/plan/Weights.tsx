import { type Board, PLAN_WEIGHTS, type PlanWeights, planWeightsSchema, weightsOf } from '@zealous-axle/core';
import { View } from 'react-native';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';

const SUM_LABELS: Record<keyof PlanWeights['sum'], string> = {
  heldMinutes: 'One minute of a unit on hold',
  weightedLateness: 'One minute late, times its priority',
  setupMinutes: 'One minute of setup',
  makespanMinutes: 'One minute until the last job is done',
};
const PRIORITY_LABELS: Record<keyof PlanWeights['priority'], string> = {
  'out-of-service': 'Out of service',
  violation: 'Violation',
  'shop-limit': 'Past the shop’s limit',
  planned: 'Planned work',
};
const SUMS = Object.keys(SUM_LABELS) as (keyof PlanWeights['sum'])[];
const PRIORITIES = Object.keys(PRIORITY_LABELS) as (keyof PlanWeights['priority'])[];

const written = z.string().regex(/^\d{1,9}$/, 'enter a whole number');
const formSchema = z
  .object({
    sum: z.object({ heldMinutes: written, weightedLateness: written, setupMinutes: written, makespanMinutes: written }),
    priority: z.object({ 'out-of-service': written, violation: written, 'shop-limit': written, planned: written }),
    movedSlot: written,
  })
  .superRefine((form, context) => {
    for (const issue of planWeightsSchema.safeParse(read(form)).error?.issues ?? [])
      context.addIssue({ code: 'custom', path: [...issue.path], message: issue.message });
  });
type Form = z.infer<typeof formSchema>;

const numbers = <K extends string>(texts: Record<K, string>): Record<K, number> =>
  Object.fromEntries(Object.entries<string>(texts).map(([name, text]) => [name, Number(text)])) as Record<K, number>;
const texts = <K extends string>(values: Record<K, number>): Record<K, string> =>
  Object.fromEntries(Object.entries<number>(values).map(([name, value]) => [name, String(value)])) as Record<K, string>;

function read({ sum, priority, movedSlot }: Omit<Form, never>): PlanWeights {
  return { sum: numbers(sum), priority: numbers(priority), movedSlot: Number(movedSlot) };
}
const asTexts = ({ sum, priority, movedSlot }: PlanWeights): Form => ({
  sum: texts(sum),
  priority: texts(priority),
  movedSlot: String(movedSlot),
});

/** What the plan is wanted by: the shop's own weights, beside those it starts with. */
export function Weights({ board, onClose }: { board: Board; onClose: () => void }) {
  const { control, handleSubmit, formState, reset } = useZodForm(formSchema, asTexts(weightsOf(board.request)));
  const save = handleSubmit((form) => {
    onClose();
    void send('set-plan-weights', { version: board.settings, weights: read(form) }, 'Plan priorities');
  });
  return (
    <Drawer title="Plan priorities" onClose={onClose}>
      <Text tone="soft">
        The planner looks for the lowest total. A higher number matters more; only the ratios count. Earlier proposals
        are discarded.
      </Text>
      <View className="gap-2">
        {SUMS.map((name) => (
          <Field
            key={name}
            control={control}
            name={`sum.${name}`}
            label={SUM_LABELS[name]}
            inputMode="numeric"
            maxLength={7}
          />
        ))}
      </View>
      <Text bold>How a late minute counts, by priority</Text>
      <View className="gap-2">
        {PRIORITIES.map((name) => (
          <Field
            key={name}
            control={control}
            name={`priority.${name}`}
            label={PRIORITY_LABELS[name]}
            inputMode="numeric"
            maxLength={7}
          />
        ))}
      </View>
      <Field
        control={control}
        name="movedSlot"
        label="Moving a published job when replanning"
        inputMode="numeric"
        maxLength={9}
      />
      <Button label="Restore defaults" onPress={() => reset(asTexts(PLAN_WEIGHTS))} />
      <Button tall look="act" label="Save" disabled={!formState.isValid} onPress={() => void save()} />
    </Drawer>
  );
}
