/*
 * Which room may look into which. A room is entered by its index; arrows point one way; nothing goes in a circle.
 * Each house lists its rooms from the ground up: a room may use those named beside it and nothing else of its house.
 */
const CORE = {
  life: [],
  measure: [],
  trailer: ['measure'],
  limits: ['measure', 'trailer'],
  catalogue: ['limits'],
  reading: ['measure', 'trailer', 'catalogue'],
  judge: ['measure', 'trailer', 'limits', 'catalogue', 'reading'],
  patterns: ['measure', 'trailer', 'limits', 'reading', 'judge'],
  defects: ['life', 'measure', 'trailer', 'catalogue', 'reading'],
  inspection: ['life', 'measure', 'trailer', 'limits', 'reading', 'judge', 'patterns', 'defects'],
  repair: ['life', 'measure', 'trailer', 'limits', 'catalogue', 'reading', 'judge', 'defects', 'inspection'],
  fleet: ['life', 'measure', 'trailer', 'limits', 'defects', 'inspection', 'repair'],
  records: ['life', 'measure', 'trailer', 'limits', 'reading', 'judge', 'inspection'],
};
