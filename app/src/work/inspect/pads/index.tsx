import type { StepKind } from '@zealous-axle/core';
import type { ComponentType } from 'react';
import { bookOf } from '../../../data/draft';
import { AirPad } from './AirPad';
import { CheckPad } from './CheckPad';
import { FigurePad } from './FigurePad';
import { HubPad } from './HubPad';
import { NutsPad } from './NutsPad';
import type { PadProps } from './pad';
import { SliderPad } from './SliderPad';

function HubStep({ entry, judged, note, draft }: PadProps) {
  const oil = judged.end ? bookOf(draft).hubOil.levelAppliesTo.includes(judged.end.hub) : false;
  return <HubPad hub={entry.note} oil={oil} onNote={note} />;
}

const PADS: Partial<Record<StepKind, ComponentType<PadProps>>> = {
  'hub-oil': HubStep,
  check: CheckPad,
  'wheel-nuts': NutsPad,
  'slider-pins': SliderPad,
  'air-test': AirPad,
};

/** The pad for a kind of step; figures where it has none of its own. */
export const padFor = (kind: StepKind): ComponentType<PadProps> => PADS[kind] ?? FigurePad;
export type { PadProps };
