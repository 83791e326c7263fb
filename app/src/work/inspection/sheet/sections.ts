import { ROUTES, type SectionTime } from '@zealous-axle/core';

const names = new Map(ROUTES.flatMap(({ sections }) => sections.map(({ id, name }) => [id, name])));

/** The name of a section, as it was gaugeMessage or as the shipped routes have it. */
export const sectionName = ({ id, name }: SectionTime): string =>
  (name ?? names.get(id) ?? 'own section').toLowerCase();
