import { SliderPad, USUAL_PINS } from '../pads/SliderPad';
import type { KindPad } from './kind';

export const sliderPins: KindPad = {
  how: () => 'Count the pins, then those fully through.',
  body: ({ entry: { note } }) =>
    note.pins !== undefined && note.seated !== undefined ? { pins: note.pins, seated: note.seated } : null,
  quick: ({ entry: { note } }) => {
    const pins = note.pins ?? USUAL_PINS;
    return note.seated === undefined ? { label: `All ${pins} pins are seated`, note: { pins, seated: pins } } : null;
  },
  Pad: SliderPad,
};
