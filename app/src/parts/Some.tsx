import { Fragment, type ReactNode, useState } from 'react';
import { Button } from './Button';

interface Props<T> {
  items: readonly T[];
  /** How many stand there at first. */
  first: number;
  idOf: (item: T) => string;
  /** What they are called: `held units`. */
  name: string;
  children: (item: T) => ReactNode;
}

/** The first of many, with how many there are: the others at a press. */
export function Some<T>({ items, first, idOf, name, children }: Props<T>) {
  const [all, setAll] = useState(false);
  const shown = all ? items : items.slice(0, first);
  return (
    <>
      {shown.map((item) => (
        <Fragment key={idOf(item)}>{children(item)}</Fragment>
      ))}
      {shown.length < items.length ? (
        <Button look="bare" label={`Show all ${items.length}`} hint={name} onPress={() => setAll(true)} />
      ) : null}
    </>
  );
}
