import type { FleetStore } from './fleet-store';
import { connectionOf } from './one-transaction';

interface Prepared<R> {
  execute: (values: Record<string, unknown>) => Promise<R>;
}

const written = new WeakMap<FleetStore, Map<string, Prepared<unknown>>>();

/**
 * A statement that is written once for each connection, for what every page asks: writing it costs more than PostgreSQL
 * needs to answer it. Its values are placeholders; `name` tells it from every other, and from itself in another form.
 */
export function prepared<R>(store: FleetStore, name: string, write: () => { prepare: (name: string) => Prepared<R> }) {
  const connection = connectionOf(store);
  const known = written.get(connection) ?? new Map<string, Prepared<unknown>>();
  written.set(connection, known);
  const statement = known.get(name) ?? write().prepare(name);
  known.set(name, statement);
  return statement as Prepared<R>;
}
