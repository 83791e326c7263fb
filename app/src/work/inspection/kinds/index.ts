import type { StepKind } from '@zealous-axle/core';
import { airTest } from './air-test';
import { check } from './check';
import { drum } from './drum';
import { dual } from './dual';
import { endPlay } from './end-play';
import { guardHeight } from './guard-height';
import { hubOil } from './hub-oil';
import type { KindPad } from './kind';
import { kingPin } from './king-pin';
import { lining } from './lining';
import { mudFlap } from './mud-flap';
import { ownCheck } from './own-check';
import { pressure } from './pressure';
import { rotor } from './rotor';
import { scribeMarks } from './scribe-marks';
import { slackPull } from './slack-pull';
import { sliderPins } from './slider-pins';
import { strokeApplied } from './stroke-applied';
import { strokeFree } from './stroke-free';
import { tread } from './tread';
import { wheelNuts } from './wheel-nuts';
import { wheelPlay } from './wheel-play';
import { wheelTemperature } from './wheel-temperature';

/** How each kind of reading is entered. */
const PADS: Record<StepKind, KindPad> = {
  'stroke-applied': strokeApplied,
  'stroke-free': strokeFree,
  'slack-pull': slackPull,
  'scribe-marks': scribeMarks,
  lining,
  drum,
  rotor,
  tread,
  pressure,
  dual,
  'hub-oil': hubOil,
  'end-play': endPlay,
  'wheel-temperature': wheelTemperature,
  'wheel-nuts': wheelNuts,
  'king-pin': kingPin,
  'slider-pins': sliderPins,
  'mud-flap': mudFlap,
  'guard-height': guardHeight,
  'wheel-play': wheelPlay,
  'air-test': airTest,
  check,
  'own-check': ownCheck,
};

export const padOf = (kind: StepKind): KindPad => PADS[kind];
export type { EndCorrection, KindPad, PadField, PadProps, StepJudgement } from './kind';
