import fc from 'fast-check';
import { type Frame, frameKey, frameLine, parseFrame, takeFrame } from './gauge';

const FRAME: Frame = { kind: 'stroke', serial: 'SG-104', sequence: 17, value: '47.63 mm' };
const why = (line: string) => {
  const parsed = parseFrame(line);
  return parsed.ok ? null : parsed.message;
};

test('a frame is one line, and reads back', () => {
  expect(frameLine(FRAME)).toMatch(/^ZG1 stroke SG-104 000017 47\.63 mm\*[0-9A-F]{2}$/);
  expect(parseFrame(frameLine(FRAME))).toEqual({ ok: true, value: FRAME });
});

test('any frame within a gauge’s travel reads back', () => {
  const frames = fc.record({
    kind: fc.constantFrom('stroke' as const, 'lining' as const, 'tread' as const),
    serial: fc.stringMatching(/^[A-Z0-9-]{1,20}$/),
    sequence: fc.integer({ min: 0, max: 999_999 }),
    value: fc.integer({ min: 0, max: 4_999 }).map((count) => `${(count / 100).toFixed(2)} mm`),
  });
  fc.assert(
    fc.property(
      frames,
      (frame) => JSON.stringify(parseFrame(frameLine(frame))) === JSON.stringify({ ok: true, value: frame }),
    ),
  );
});

test('a temperature goes as plain ASCII and is read as people write it', () => {
  const hot: Frame = { kind: 'temperature', serial: 'IR-7', sequence: 3, value: '151.5 °F' };
  expect(frameLine(hot)).toMatch(/^ZG1 temperature IR-7 000003 151\.5 F\*[0-9A-F]{2}$/);
  expect(parseFrame(frameLine(hot))).toEqual({ ok: true, value: hot });
  const cold: Frame = { ...hot, value: '-12 °C' };
  expect(parseFrame(frameLine(cold))).toEqual({ ok: true, value: cold });
  expect(takeFrame(hot, 'wheel-temperature', new Set())).toEqual({ take: true, frame: hot });
});

test('one changed character is noticed', () => {
  const line = frameLine(FRAME);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: line.length - 4 }), fc.integer({ min: 33, max: 126 }), (at, code) => {
      const changed = line.slice(0, at) + String.fromCharCode(code) + line.slice(at + 1);
      return changed === line || !parseFrame(changed).ok;
    }),
  );
});

test.each([
  ['', 'cannot read'],
  ['hello', 'cannot read'],
  [frameLine(FRAME).replace('47.63', '57.63'), 'damaged'],
  [frameLine({ ...FRAME, kind: 'torque' as never }), 'no “torque” gauge'],
  [frameLine({ ...FRAME, value: '121 mm' }), 'more than a stroke gauge can measure'],
  [frameLine({ ...FRAME, value: '41 °C' }), 'nothing that a stroke gauge measures'],
  [frameLine({ ...FRAME, kind: 'temperature', value: '601 °C' }), 'more than a temperature gauge can measure'],
])('%j: %s', (line, message) => expect(why(line)).toMatch(message));

test('a frame is taken once, and only where it belongs', () => {
  expect(takeFrame(FRAME, 'stroke-applied', new Set())).toEqual({ take: true, frame: FRAME });
  expect(takeFrame(FRAME, 'stroke-applied', new Set([frameKey(FRAME)]))).toEqual({ take: false, message: null });
  expect(takeFrame(FRAME, 'lining', new Set())).toMatchObject({ message: expect.stringMatching('stroke gauge') });
  expect(takeFrame(FRAME, null, new Set())).toMatchObject({ take: false });
});
