import { VERDICTS, type Verdict, YARD_ORDERS, type YardAsked, type YardOrder } from '@zealous-axle/core';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Drawer } from '../../parts/Drawer';
import { useVerdictWord } from '../../parts/verdict';

const ORDER_WORDS: Record<YardOrder, string> = {
  urgency: 'Most urgent first',
  number: 'Number',
  verdict: 'Worst verdict',
  due: 'Next document due',
  measured: 'Longest unmeasured',
};
const ORDERS = YARD_ORDERS.map((value) => ({ value, label: ORDER_WORDS[value] }));
const ANY = 'any';
const named = (values: readonly string[]) => [
  { value: ANY, label: 'Any' },
  ...values.map((value) => ({ value, label: value })),
];

interface Props {
  narrowed: YardAsked;
  order: YardOrder;
  sites: readonly string[];
  bodies: readonly string[];
  onNarrow: (asked: YardAsked) => void;
  onOrder: (order: YardOrder) => void;
  onClose: () => void;
}

/** What else the yard may be narrowed by, and its order. */
export function Filters({ narrowed, order, sites, bodies, onNarrow, onOrder, onClose }: Props) {
  const wordOf = useVerdictWord();
  const choose = (name: 'verdict' | 'site' | 'body') => (value: string) => {
    const { [name]: _, ...others } = narrowed;
    onNarrow(value === ANY ? others : { ...others, [name]: value as Verdict });
  };
  const verdicts = [{ value: ANY, label: 'Any' }, ...VERDICTS.map((value) => ({ value, label: wordOf(value) }))];
  return (
    <Drawer title="Filter and order" onClose={onClose}>
      <Choice label="Order" options={ORDERS} value={order} onChange={onOrder} />
      <Choice label="Current verdict" options={verdicts} value={narrowed.verdict ?? ANY} onChange={choose('verdict')} />
      {sites.length ? (
        <Choice label="Site" options={named(sites)} value={narrowed.site ?? ANY} onChange={choose('site')} />
      ) : null}
      {bodies.length ? (
        <Choice label="Body" options={named(bodies)} value={narrowed.body ?? ANY} onChange={choose('body')} />
      ) : null}
      <Button
        label="Clear all of these"
        onPress={() => {
          onNarrow({});
          onOrder('urgency');
        }}
      />
      <Button tall look="act" label="Show them" onPress={onClose} />
    </Drawer>
  );
}
