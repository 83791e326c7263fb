import type { Palette } from '../../../look/theme';

/** How the thing itself is drawn, and the line that is measured. */
export const bodyOf = (palette: Palette) => ({ stroke: palette.ink, strokeWidth: 2.5, fill: palette.raised }) as const;
export const markOf = (palette: Palette) =>
  ({ stroke: palette.focus, strokeWidth: 3, strokeLinecap: 'round' }) as const;
