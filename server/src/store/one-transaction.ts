import type { FleetStore } from './fleet-store';

/** What tells the store of the connection that a transaction runs on, for as long as it runs. */
const connections = new WeakMap<FleetStore, () => FleetStore>();

/** What is asked of a transaction that has ended is refused: its connection may be another one's by now. */
export class TransactionOver extends Error {
  constructor() {
    super('this transaction has ended');
  }
}

/** A store that works until `end` is called, over the one of its connection. */
export function oneTransaction(connection: FleetStore): { store: FleetStore; end: () => void } {
  let over = false;
  const stillOn = () => {
    if (over) throw new TransactionOver();
    return connection;
  };
  const store = new Proxy(connection, {
    get(target, name, receiver) {
      stillOn();
      return Reflect.get(target, name, receiver);
    },
  });
  connections.set(store, stillOn);
  return {
    store,
    end: () => {
      over = true;
    },
  };
}

/** The store of the connection that a transaction runs on; itself where it is none's. Throws where that has ended. */
export const connectionOf = (store: FleetStore): FleetStore => connections.get(store)?.() ?? store;
