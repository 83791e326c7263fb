import type { HubNotes, ReadingOf } from '../reading';

/** Everything that is chosen at a step rather than typed, of whatever kind the step is. */
export interface Note extends HubNotes {
  method?: 'face-mark' | 'pin-distance' | 'bar' | 'hand';
  presses?: number;
  /** Lining at each shoe or pad; tread at several spots round the tyre and grooves. */
  several?: boolean;
  /** Fields of the step whose place cannot be seen. */
  hidden?: string[];
  spots?: number;
  grooves?: number;
  wear?: NonNullable<ReadingOf<'tread'>['wear']>;
  hot?: boolean;
  heavy?: boolean;
  /** The steering is powered. */
  power?: boolean;
  touching?: boolean;
  size?: 'small' | 'large';
  holes?: number;
  loose?: number[];
  missing?: number[];
  rust?: number[];
  pins?: number;
  seated?: number;
  vehicles?: NonNullable<ReadingOf<'air-test'>['vehicles']>;
  seconds?: number;
  /** When a running test was started, in milliseconds of the device's clock. */
  startedMs?: number;
  found?: string[];
  how?: NonNullable<ReadingOf<'check'>['how']>;
  /** Which of several lamps. */
  on?: NonNullable<ReadingOf<'check'>['on']>;
  /** How many of them are out. */
  lamps?: NonNullable<ReadingOf<'check'>['lamps']>;
  words?: string;
}
