import fc from 'fast-check';
import {
  ADJUSTERS,
  BRAKE_KINDS,
  CHAMBER_STROKES,
  CHAMBER_TYPES,
  COUPLINGS,
  DOORS,
  DRIVES,
  FLUID_READ,
  HUB_KINDS,
  LINING_STYLES,
  SUSPENSIONS,
  TYRE_FITS,
  UNIT_KINDS,
} from '../trailer';
import { rowUnit, unitCells, unitColumnWords } from '.';

const axle = fc.record(
  {
    brake: fc.constantFrom(...BRAKE_KINDS),
    tyres: fc.constantFrom(...TYRE_FITS),
    hub: fc.constantFrom(...HUB_KINDS),
    chamber: fc.record({
      type: fc.constantFrom(...CHAMBER_TYPES),
      size: fc.constantFrom('16', '20', '24', '30', '36', 'A'),
      stroke: fc.constantFrom(...CHAMBER_STROKES),
    }),
    adjuster: fc.constantFrom(...ADJUSTERS),
    suspension: fc.constantFrom(...SUSPENSIONS),
    liningStyle: fc.constantFrom(...LINING_STYLES),
    lift: fc.constant(true),
    steer: fc.boolean(),
    tyreSize: fc.constantFrom('11R22.5', '255/70R22.5'),
    target: fc.constantFrom('100 psi', '7 bar'),
    sidewallMax: fc.constantFrom('120 psi'),
    slack: fc.constantFrom('5 1/2 in', '6 in'),
  },
  { requiredKeys: ['brake', 'tyres', 'hub'] },
);
const words = (most: number) =>
  fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9 .-]{0,15}[A-Za-z0-9]$/).map((text) => text.slice(0, most));
const unit = fc.record({
  number: words(18),
  kind: fc.constantFrom(...UNIT_KINDS),
  body: words(18),
  site: words(18),
  features: fc.record(
    {
      coupling: fc.constantFrom(...COUPLINGS),
      abs: fc.boolean(),
      autoInflation: fc.boolean(),
      doors: fc.constantFrom(...DOORS),
      liftGate: fc.boolean(),
      refrigeration: fc.boolean(),
      yearBuilt: fc.integer({ min: 1950, max: 2100 }),
      grossWeight: fc.constantFrom('80,000 lb', '36 300 kg'),
      payload: fc.constantFrom('52,000 lb'),
      height: fc.constantFrom('13 ft 6 in', '4.1 m'),
      width: fc.constantFrom('102 in'),
      extinguisher: fc.constantFrom('10 B:C'),
      airTanks: fc.integer({ min: 1, max: 12 }),
      alternator: fc.constantFrom(...DRIVES),
      waterPump: fc.constantFrom(...DRIVES),
      compressor: fc.constantFrom(...DRIVES),
      steeringPump: fc.constantFrom(...DRIVES),
      transmission: fc.constantFrom(...FLUID_READ),
      cutOut: fc.constantFrom('130 psi', '9 bar'),
    },
    { requiredKeys: [] },
  ),
  axles: fc.array(axle, { minLength: 1, maxLength: 6 }),
});

test('a unit written as a line reads back as it was', () => {
  fc.assert(
    fc.property(unit, (form) => {
      expect(rowUnit(unitCells(form))).toEqual({ ok: true, value: form });
    }),
  );
});

test('fifty alike are written once: the same axle again is “same”', () => {
  const like = 's-cam; clamp 30; automatic; dual; oil';
  const read = rowUnit({
    number: 'H-1',
    kind: 'semitrailer',
    body: '',
    site: '',
    fitted: '',
    axles: `${like} | same | same`,
  });
  expect(read.ok && read.value.axles).toHaveLength(3);
});

test.each([
  [{ axles: '' }, 'Axle 1: “” is not understood'],
  [{ axles: 's-cam; dual' }, 'Axle 1 does not say its hub.'],
  [{ axles: 's-cam; s-cam; dual; oil' }, 'Axle 1: “s-cam” is a second brake.'],
  [{ axles: 's-cam; dual; oil | square' }, 'Axle 2: “square” is not understood'],
  [{ kind: 'boat' }, 'kind:'],
  [{ number: ' ' }, 'number:'],
  [{ fitted: 'wings' }, '“wings” is not something fitted'],
  [{ axles: 's-cam; dual; oil; target much' }, 'axles 0 target:'],
])('%j says what is wrong', (change, message) => {
  const good = { number: 'H-1', kind: 'dolly', body: 'Dolly', site: '', fitted: 'abs', axles: 's-cam; dual; oil' };
  const read = rowUnit({ ...good, ...change });
  expect(!read.ok && read.message).toContain(message);
});

test('what is not said is not known', () => {
  expect(rowUnit({ number: 'H-1', kind: 'dolly', axles: 's-cam; dual; oil' })).toEqual({
    ok: true,
    value: {
      number: 'H-1',
      kind: 'dolly',
      body: '',
      site: '',
      features: {},
      axles: [{ brake: 's-cam', tyres: 'dual', hub: 'oil' }],
    },
  });
});

test('every word a file may bring is said beside its column', () => {
  const said = unitColumnWords();
  const stands = (column: keyof typeof said, word: string) =>
    expect(said[column].split(/[;,:] ?| or | with /)).toContain(word);
  for (const kind of UNIT_KINDS) stands('kind', kind);
  for (const brake of BRAKE_KINDS) stands('axles', brake);
  for (const word of ['abs', 'no abs', 'no lift gate', 'refrigeration unit', 'king-pin']) stands('fitted', word);
});
