import { setTimeout as delay } from 'node:timers/promises';
import pg from 'pg';
import { z } from 'zod';
import { LIVE_CHANNEL } from '../run';

const noticeSchema = z.object({
  fleet: z.string(),
  id: z.number(),
  type: z.string(),
  unit: z.string().nullable(),
  /** The command that did it; null where nobody did anything. */
  command: z.string().nullable().default(null),
});
export type Notice = z.infer<typeof noticeSchema>;
type Listener = (notice: Notice) => void;

export interface Live {
  /** Calls `listener` for every change of a fleet until the returned function is called. */
  subscribe: (fleetId: string, listener: Listener) => () => void;
  close: () => Promise<void>;
}

const RETRY_MS = 1_000;
const CONNECT_MS = 5_000;

/** One listening connection for the whole process. Lost, it comes back and tells every listener to read again. */
export function openLive(url: string, retryMs = RETRY_MS): Live {
  const listeners = new Map<string, Set<Listener>>();
  const closing = new AbortController();
  let client: pg.Client | null = null;

  const tell = (notice: Notice) => {
    for (const listener of listeners.get(notice.fleet) ?? []) listener(notice);
  };
  const tellAll = () => {
    for (const fleet of listeners.keys()) tell({ fleet, id: 0, type: 'read-again', unit: null, command: null });
  };
  /** Listens until the connection is lost. */
  const listen = async () => {
    const next = new pg.Client({
      connectionString: url,
      application_name: 'zealous-axle live',
      connectionTimeoutMillis: CONNECT_MS,
    });
    const ended = new Promise<void>((resolve) => next.once('end', resolve));
    next.on('error', () => undefined);
    next.on('notification', ({ payload }) => {
      const notice = noticeSchema.safeParse(JSON.parse(payload ?? 'null'));
      if (notice.success) tell(notice.data);
    });
    try {
      await next.connect();
      client = next;
      await next.query(`listen ${LIVE_CHANNEL}`);
      tellAll();
      await ended;
    } finally {
      client = null;
      void next.end().catch(() => undefined);
    }
  };
  const keepListening = async () => {
    while (!closing.signal.aborted) {
      await listen().catch(() => undefined);
      await delay(retryMs, null, { signal: closing.signal }).catch(() => undefined);
    }
  };
  void keepListening();

  return {
    subscribe(fleetId, listener) {
      const own = listeners.get(fleetId) ?? new Set();
      listeners.set(fleetId, own.add(listener));
      return () => {
        own.delete(listener);
        if (own.size === 0) listeners.delete(fleetId);
      };
    },
    async close() {
      closing.abort();
      await client?.end().catch(() => undefined);
    },
  };
}
