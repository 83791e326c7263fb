import { hasPushrod, isDisc } from '../../trailer';
import { dragging, type EndFault, figure, isOil, type ThereAtEnd, tyreOf, withHub } from './at-end';
import type { EndTruth } from './truth';

/** Something that reads better than it is, until one looks the way one should. `deceived` is what it seems at first. */
export interface Deception extends EndFault {
  /** How it is found out, said in the debrief. */
  foundOut: string;
  /** What the end seems to be, to whoever does not look. */
  seems: (end: EndTruth, there: ThereAtEnd) => EndTruth;
}

export const DECEPTIONS: readonly Deception[] = [
  {
    id: 'thick-side',
    words: 'Lining thick on the side one sees, thin on the other',
    foundBy: ['lining'],
    foundOut: 'Check both ends of both shoes, the far side too.',
    apply: ({ end, fitted, random }) => {
      const [seen = 14, ...hidden] = end.lining32;
      const thin = figure(random, 'thick-side', isDisc(fitted) ? 'disc' : undefined);
      end.lining32 = [seen, thin, ...hidden.slice(1)];
    },
    seems: (end) => ({
      ...end,
      lining32: end.lining32.map((each, nth) => (nth === 1 ? (end.lining32[0] ?? each) : each)),
    }),
  },
  {
    id: 'rings-at-seventy',
    words: 'A tire that rings like its mate, and is far down',
    foundBy: ['pressure'],
    foundOut: 'A thump finds a flat; only the gauge finds a soft tire.',
    apply: (there) => {
      tyreOf(there).truth.psi = figure(there.random, 'rings-at-seventy');
    },
    seems: (end, { random }) => ({
      ...end,
      tyres: Object.fromEntries(
        Object.entries(end.tyres).map(([tyre, truth]) => [
          tyre,
          { ...truth, psi: Math.max(truth.psi, 101 + random.below(2)) },
        ]),
      ),
    }),
  },
  {
    id: 'dirty-glass',
    words: 'An old stain in a dirty glass where the oil is gone',
    foundBy: ['hub-oil'],
    fits: isOil,
    foundOut: 'Wipe the glass first: a stain is not an oil level.',
    apply: ({ end }) => {
      withHub(end, { level: 'empty' });
      end.stain = 'between';
    },
    seems: (end) => ({ ...end, hub: { ...end.hub, level: end.stain ?? 'between' } }),
  },
  {
    id: 'over-tightened',
    words: 'An adjuster tightened so far that the brake drags',
    foundBy: ['stroke-free', 'check:drum-look'],
    fits: ({ fitted }) => hasPushrod(fitted),
    foundOut: 'A very short free stroke and a warm drum: it was tightened to pass.',
    apply: (there) => {
      dragging(there);
      there.end.stroke16 = figure(there.random, 'over-tightened');
    },
    seems: (end) => ({
      ...end,
      free16: 9,
      codes: end.codes.filter((code) => !['brake-dragging', 'drum-blue', 'hub-hot'].includes(code)),
      hub: { ...end.hub, heat: undefined },
    }),
  },
];
