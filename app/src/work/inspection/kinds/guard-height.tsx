import { field, type KindPad, optionalField } from './kind';

const YEAR = /^\d{4}$/;

export const guardHeight: KindPad = {
  how: () => 'From level ground to the lower edge of the guard, the unit empty; the year is on its plate.',
  fields: ({ draft }) => [
    field('value', 'Ground to guard', 'tape'),
    draft.unit.features?.yearBuilt
      ? optionalField('built', `Built ${draft.unit.features.yearBuilt}, else the year`, 'year')
      : optionalField('built', 'Year built', 'year'),
  ],
  body: ({ draft }, texts) => {
    const built = texts.built ? Number(texts.built) : draft.unit.features?.yearBuilt;
    return texts.value ? { value: texts.value, ...(built ? { built } : {}) } : null;
  },
  limited: ({ draft, entry }) => {
    const typed = entry.texts.built ?? '';
    const built = YEAR.test(typed) ? Number(typed) : draft.unit.features?.yearBuilt;
    return built ? { reading: 'guard-height', asking: { built } } : null;
  },
  unruled: true,
};
