import { CATALOGUE, type FoundRepairs } from '@zealous-axle/core';
import { defectsWith } from '../defects';
import type { FleetStore } from '../store';
import { jobsWith } from './queries';

const PAGE = 30;
const literal = (text: string): string => `%${text.replace(/[\\%_]/g, '\\$&')}%`;

/** Defects and jobs that have these words in them, or the catalogue's words for what was found. */
export async function searchRepairs(store: FleetStore, text: string): Promise<FoundRepairs> {
  const asked = text.toLowerCase();
  const codes = CATALOGUE.filter(({ words }) => words.toLowerCase().includes(asked)).map(({ code }) => code);
  const [defects, jobs] = await Promise.all([
    defectsWith(store, literal(text), codes, PAGE),
    jobsWith(store, literal(text), PAGE),
  ]);
  return {
    defects: defects.slice(0, PAGE),
    jobs: jobs.slice(0, PAGE),
    more: defects.length > PAGE || jobs.length > PAGE,
  };
}
