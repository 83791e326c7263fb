import pg from 'pg';
import { z } from 'zod';
import { LIVE_CHANNEL } from '../run';

const noticeSchema = z.object({ fleet: z.string(), id: z.number(), type: z.string(), unit: z.string().nullable() });
export type Notice = z.infer<typeof noticeSchema>;
type Listener = (notice: Notice) => void;

export interface Live {
  /** Calls `listener` for every change of a fleet until the returned function is called. */
  subscribe: (fleetId: string, listener: Listener) => () => void;
  close: () => Promise<void>;
}

const RETRY_MS = 1_000;

/** One listening connection for the whole process. Lost, it comes back and tells every listener to read again. */
export function openLive(url: string): Live {
  const listeners = new Map<string, Set<Listener>>();
  let client: pg.Client | null = null;
  let closed = false;
  let timer: NodeJS.Timeout | undefined;

  const tell = (notice: Notice) => {
    for (const listener of listeners.get(notice.fleet) ?? []) listener(notice);
  };
  const again = () => {
    client = null;
    if (!closed) timer = setTimeout(() => void listen(), RETRY_MS);
  };
  const listen = async () => {
    const next = new pg.Client({ connectionString: url, application_name: 'zealous-axle live' });
    next.on('notification', ({ payload }) => {
      const notice = noticeSchema.safeParse(JSON.parse(payload ?? 'null'));
      if (notice.success) tell(notice.data);
    });
    next.on('error', () => undefined);
    next.on('end', again);
    try {
      await next.connect();
      await next.query(`listen ${LIVE_CHANNEL}`);
      client = next;
      for (const fleet of listeners.keys()) tell({ fleet, id: 0, type: 'read-again', unit: null });
    } catch {
      again();
    }
  };
  void listen();

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
      closed = true;
      clearTimeout(timer);
      await client?.end().catch(() => undefined);
    },
  };
}
