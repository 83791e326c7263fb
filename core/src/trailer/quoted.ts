import type { Features } from './gear';

/** Facts of a unit that a check, a card or the plan quotes. */
export const QUOTED_FACTS = [
  'alternator',
  'waterPump',
  'compressor',
  'steeringPump',
  'transmission',
  'extinguisher',
  'airTanks',
  'size',
  'payload',
] as const;
export type QuotedFact = (typeof QUOTED_FACTS)[number];

const READ_BY = { stick: 'Read by its stick', glass: 'Read by its glass', sealed: 'Sealed: no level is read' } as const;

/** How high, wide and heavy a unit is, as far as that is kept: `13 ft 6 in high, 80,000 lb gross`; null where nothing is. */
export const sizeWords = ({ height, width, grossWeight }: Features): string | null =>
  [height && `${height} high`, width && `${width} wide`, grossWeight && `${grossWeight} gross`]
    .filter(Boolean)
    .join(', ') || null;

/** What is kept of a unit in a sentence without its stop, where a check asks for it; null where it is not known. */
export function factSays(fact: QuotedFact, features: Features): string | null {
  if (fact === 'size') return sizeWords(features);
  const kept = features[fact];
  if (kept === undefined) return null;
  if (fact === 'transmission') return READ_BY[kept as keyof typeof READ_BY];
  if (fact === 'extinguisher') return `This unit carries class ${kept}`;
  if (fact === 'airTanks') return `This unit has ${kept}`;
  if (fact === 'payload') return `Payload ${kept}`;
  return kept === 'belt' ? 'Belt-driven here' : 'Gear-driven here';
}
