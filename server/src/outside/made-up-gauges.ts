import { EventEmitter } from 'node:events';
import { type Frame, frameLine, type GaugeKind, MADE_UP_SERIAL } from '@zealous-axle/core';

/** Serial numbers of the made-up gauges. */
const GAUGES: Record<GaugeKind, string> = {
  stroke: `${MADE_UP_SERIAL}-1`,
  lining: `${MADE_UP_SERIAL}-2`,
  tread: `${MADE_UP_SERIAL}-3`,
  temperature: `${MADE_UP_SERIAL}-4`,
};

export type Gauges = ReturnType<typeof openGauges>;

/**
 * Lines of electronic gauges, for whoever of one process listens for the same person; nothing is kept. A receiver that is
 * connected sends lines; of a stand-in a press makes one up.
 */
export function openGauges() {
  const air = new EventEmitter().setMaxListeners(0);
  const counts = new Map<string, number>();
  return {
    /** Presses a gauge: the line it sends. `again` sends the last line once more, as a gauge does when unsure. */
    press(person: string, kind: GaugeKind, value: string, again = false): string {
      const key = `${person} ${kind}`;
      const sequence = (counts.get(key) ?? Math.floor(Date.now() / 1_000) % 900_000) + (again ? 0 : 1);
      counts.set(key, sequence);
      const frame: Frame = { kind, serial: GAUGES[kind], sequence, value };
      const line = frameLine(frame);
      air.emit(person, line);
      return line;
    },
    /** Sends any line at all: what a broken gauge might. */
    send: (person: string, line: string): boolean => air.emit(person, line),
    /** Switches the receiver off: every listener of this person is cut. */
    cut: (person: string): boolean => air.emit(`cut ${person}`),
    listen(person: string, heard: (line: string) => void, cut: () => void): () => void {
      air.on(person, heard);
      air.on(`cut ${person}`, cut);
      return () => {
        air.off(person, heard);
        air.off(`cut ${person}`, cut);
      };
    },
  };
}
