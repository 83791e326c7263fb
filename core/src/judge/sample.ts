import { DEFAULT_BOOK } from '../limits';
/** The sample request of the published formats: what the API page shows, and what the tests send. */
export const SAMPLE = {
  book: DEFAULT_BOOK,
  units: [
    {
      id: 'T1',
      kind: 'semitrailer',
      axles: [
        {
          brake: 's-cam',
          chamber: { type: 'clamp', size: '30', stroke: 'standard' },
          adjuster: 'automatic',
          tyres: 'dual',
          hub: 'oil',
        },
        {
          brake: 's-cam',
          chamber: { type: 'clamp', size: '30', stroke: 'long' },
          adjuster: 'automatic',
          tyres: 'dual',
          hub: 'oil',
        },
      ],
    },
  ],
  readings: [
    { unit: 'T1', axle: 1, side: 'left', kind: 'stroke-applied', value: '2 1/8 in', reservoir: '95 psi' },
    { unit: 'T1', axle: 1, side: 'left', kind: 'stroke-free', value: '5/8 in' },
    { unit: 'T1', axle: 1, side: 'left', kind: 'lining', points: ['3/8 in', '7/16 in'] },
    {
      unit: 'T1',
      axle: 1,
      side: 'left',
      tyre: 'outer',
      kind: 'tread',
      grooves: [
        ['6/32', '5/32', '6/32'],
        ['6/32', '5/32', '7/32'],
        ['5/32', '5/32', '6/32'],
      ],
    },
    {
      unit: 'T1',
      axle: 1,
      side: 'left',
      tyre: 'outer',
      kind: 'pressure',
      value: '98 psi',
      target: '100 psi',
      sidewallMax: '120 psi',
      hot: false,
    },
    { unit: 'T1', axle: 1, side: 'left', kind: 'hub-oil', level: 'at-add', condition: 'clear', leak: 'none' },
    { unit: 'T1', axle: 1, side: 'right', kind: 'defect', code: 'chamber-leak' },
  ],
  assumeOtherBrakes: 6,
} as const;
