import { ROUTES } from '@zealous-axle/core';

const names = new Map(ROUTES.flatMap(({ sections }) => sections.map(({ id, name }) => [id, name])));

/** The name of a section; sections a shop added go by their place in its own route. */
export const sectionName = (id: string): string => names.get(id)?.toLowerCase() ?? 'own section';
