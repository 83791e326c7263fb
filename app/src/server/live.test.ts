import { followLive } from './live';
import { followStream } from './stream';

/** A stream as a browser has it: given up for good at the first error. */
class FakeSource {
  static readonly OPEN = 1;
  static all: FakeSource[] = [];
  readyState = 0;
  onmessage: ((event: { data: string }) => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly listeners = new Map<string, () => void>();
  constructor(readonly url: string) {
    FakeSource.all.push(this);
  }
  addEventListener(name: string, listener: () => void): void {
    this.listeners.set(name, listener);
  }
  close(): void {
    this.readyState = 2;
  }
  ready(): void {
    this.readyState = 1;
    this.listeners.get('ready')?.();
  }
  tell(event: object): void {
    this.onmessage?.({ data: JSON.stringify(event) });
  }
  fail(): void {
    this.readyState = 2;
    this.onerror?.();
  }
}
const last = (): FakeSource => FakeSource.all.at(-1) as FakeSource;
const tries = (): number => FakeSource.all.length;

beforeEach(() => {
  jest.useFakeTimers();
  jest.spyOn(Math, 'random').mockReturnValue(0);
  FakeSource.all = [];
  Object.assign(globalThis, { EventSource: FakeSource });
});
afterEach(() => {
  jest.useRealTimers();
  jest.restoreAllMocks();
});

describe('a stream that fails', () => {
  const quiet = { opened: () => {}, heard: () => {}, lost: () => {} };

  test('is tried again by itself, later each time, and at most a quarter of a minute later', () => {
    const leave = followStream('/x', quiet);
    const waits: number[] = [];
    for (let nth = 0; nth < 8; nth++) {
      const before = tries();
      last().fail();
      let waited = 0;
      while (tries() === before) {
        jest.advanceTimersByTime(100);
        waited += 100;
      }
      waits.push(waited);
    }
    expect(waits).toEqual([500, 1_000, 2_000, 4_000, 8_000, 15_000, 15_000, 15_000]);
    leave();
  });

  test('is tried soon again once it was open, and at once when the device is back on the network', () => {
    const leave = followStream('/x', quiet);
    for (let nth = 0; nth < 5; nth++) {
      last().fail();
      jest.advanceTimersByTime(15_000);
    }
    last().ready();
    last().fail();
    const before = tries();
    jest.advanceTimersByTime(500);
    expect(tries()).toBe(before + 1);
    for (let nth = 0; nth < 5; nth++) {
      last().fail();
      jest.advanceTimersByTime(15_000);
    }
    last().fail();
    const then = tries();
    window.dispatchEvent(new Event('online'));
    jest.advanceTimersByTime(500);
    expect(tries()).toBe(then + 1);
    leave();
  });

  test('is left alone once nobody follows it', () => {
    const leave = followStream('/x', quiet);
    last().fail();
    leave();
    jest.advanceTimersByTime(60_000);
    expect(tries()).toBe(1);
  });
});

describe('what is told of a fleet', () => {
  const told: string[][] = [];
  let live: ReturnType<typeof followLive>;
  beforeEach(() => {
    told.length = 0;
    live = followLive((events) => told.push(events.map(({ type }) => type)));
  });
  afterEach(() => live.close());
  const after = (ms: number) => jest.advanceTimersByTime(ms);

  test('all is read again whenever the stream opens', () => {
    last().ready();
    after(150);
    last().fail();
    after(500);
    last().ready();
    after(150);
    expect(told).toEqual([['read-again'], ['read-again']]);
  });

  test('a steady stream is told no later than 150 ms after each change', () => {
    last().ready();
    after(150);
    told.length = 0;
    for (let ms = 0; ms < 1_000; ms += 20) {
      last().tell({ type: 'hold-trailer', unit: 'u', command: null });
      after(20);
    }
    after(150);
    const heard = told.flat().length;
    expect(heard).toBe(50);
    // Told all along, and not in the silence after.
    expect(told.length).toBeGreaterThanOrEqual(6);
  });

  test('a command on two units is told of both', () => {
    const units: (string | null | undefined)[] = [];
    const both = followLive((events) => units.push(...events.map(({ unit }) => unit)));
    last().ready();
    after(150);
    units.length = 0;
    both.answered('one', { type: 'hook', unit: 'pulled' });
    for (const unit of ['pulled', 'puller', 'pulled']) last().tell({ type: 'hook', unit, command: 'one' });
    after(2_000);
    expect(units).toEqual(['pulled', 'puller']);
    both.close();
  });

  test('an own command is told once: by its event, or without it where that does not come', () => {
    last().ready();
    after(150);
    told.length = 0;
    live.answered('one', { type: 'hold-trailer' });
    last().tell({ type: 'hold-trailer', unit: 'u', command: 'one' });
    live.answered('two', { type: 'release-trailer' });
    after(5_000);
    expect(told.flat()).toEqual(['hold-trailer', 'release-trailer']);
    last().tell({ type: 'hold-trailer', unit: 'u', command: 'one' });
    last().tell({ type: 'release-trailer', unit: 'u', command: 'two' });
    after(5_000);
    expect(told.flat()).toHaveLength(2);
  });

  test('while the stream is away, an own command is told at once', () => {
    last().fail();
    live.answered('one', { type: 'hold-trailer' });
    after(150);
    expect(told.flat()).toEqual(['hold-trailer']);
  });
});
