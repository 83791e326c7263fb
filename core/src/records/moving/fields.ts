/** What a shop's own list may be of, in the order things move in: what comes later names what came before. */
export const MOVE_LISTS = ['units', 'parts', 'people', 'repairs', 'readings'] as const;
export type MoveList = (typeof MOVE_LISTS)[number];

/** What each list may tell, in the order it is asked for; what must be told comes first. */
export const MOVE_FIELDS = {
  units: [
    'number',
    'kind',
    'body',
    'site',
    'yearBuilt',
    'axles',
    'brake',
    'chamber',
    'adjuster',
    'tyres',
    'hub',
    'suspension',
    'tyreSize',
    'target',
    'abs',
    'grossWeight',
    'payload',
    'height',
    'width',
    'meter',
    'inspection',
    'insurance',
    'registration',
  ],
  parts: ['name', 'part', 'stock', 'price', 'leadDays'],
  people: ['name', 'signIn', 'role', 'skills', 'brakeInspector', 'periodicInspector', 'licence', 'medical'],
  repairs: ['number', 'day', 'work', 'by', 'meter', 'cost'],
  readings: ['number', 'day', 'by', 'axle', 'side', 'tyre', 'stroke', 'lining', 'tread'],
} as const satisfies Record<MoveList, readonly string[]>;
export type MoveField = (typeof MOVE_FIELDS)[MoveList][number];

/** Fields that are days, by which the order of a file's days is told. */
export const DAY_FIELDS: Readonly<Record<MoveList, readonly MoveField[]>> = {
  units: ['inspection', 'insurance', 'registration'],
  parts: [],
  people: ['brakeInspector', 'periodicInspector', 'licence', 'medical'],
  repairs: ['day'],
  readings: ['day'],
};

/** Which of a file's columns tells what, by its head; what no column tells is left out, or empty where somebody said so. */
export type Mapping = Partial<Record<MoveField, string>>;
