import type {
  Asking,
  AxleEnd,
  Composed,
  Doubt,
  Draft,
  EndFacts,
  Entry,
  Features,
  Limit,
  Limited,
  Note,
  Opinion,
  Step,
  WheelEnd,
} from '@zealous-axle/core';
import type { ComponentType, ReactNode } from 'react';
import type { Picture } from '../../../device/photos';
import type { Palette } from '../../../look/theme';
import type { Because } from '../../../parts/BecauseForm';

/** Something to type at a step, and with which keys. */
export interface PadField {
  id: string;
  label: string;
  keys: 'fraction' | '32nds' | 'decimal' | 'thousandths' | 'tape' | 'year' | 'pressure' | 'temperature';
  optional?: boolean;
}

/** One tap for what is looked at and found in order: what the button says, and what is then noted. */
interface Quick {
  label: string;
  note: Note;
}

/** A step of a draft, with what is entered at it. */
export interface AtStep {
  draft: Draft;
  step: Step;
  entry: Entry;
}

/** What stands at a step: the reading as entered so far, judged as it is entered. */
export interface StepJudgement {
  entered: Composed;
  /** What the book says of what is entered now; null while nothing is. */
  opinion: Opinion | null;
  /** The strictest limit that decides here; null where there is no single figure. */
  limit: Limit | null;
  /** Where it may be too small and too large: the limit of the other side. */
  otherSide: Limit | null;
  end: WheelEnd | null;
}

/** A fact of the unit that is otherwise than it is kept, as it was seen at ends of axles, and why that is said. */
export interface EndCorrection {
  ends: AxleEnd[];
  facts: EndFacts;
  because: Because;
  pictures: readonly Picture[];
}

/** What every pad is given: the step with what is entered at it, and how to change that. */
export interface PadProps extends AtStep {
  judged: StepJudgement;
  update: (change: (draft: Draft) => Draft) => void;
  /** Changes what is chosen at the step. */
  note: (change: Note) => void;
  /** Types into a field of the step. */
  type: (field: string, text: string) => void;
  /** Chooses and takes the reading at once. */
  saveWith: (change: Note) => void;
  /** Puts right what is fitted at ends of axles; null where nothing of the unit may be changed. */
  correct: ((correction: EndCorrection) => void) | null;
  /** The pad of figures: what a kind of its own stands beside. */
  Figures: ComponentType<PadProps>;
}

/** Where several fields stand in a shape of their own. */
export interface FieldsProps extends AtStep {
  current: string | null;
  textAt: (field: string) => string;
  onChoose: (field: string) => void;
}

/** Texts of the fields as written for the wire. */
export type Texts = Readonly<Record<string, string | undefined>>;

/** How a kind of reading is entered: its fields, its pad, its one-tap answer, and what it says of itself. */
export interface KindPad {
  /** How it is measured or looked at, in a sentence. */
  how: (step: Step, policies: Draft['rules']['policies'], features?: Features) => string;
  /** A small drawing of what to measure, and between which two points. */
  drawing?: (palette: Palette) => ReactNode;
  /** What is typed at it now, in order. */
  fields?: (at: AtStep) => PadField[];
  /** What the fields and choices stand for, less the place; null while something needed is missing, or why not. */
  body: (at: AtStep, texts: Texts) => Record<string, unknown> | string | null;
  /** The same while points are still to be read: those to come count as not seen, so that it is never a pass. */
  soFar?: (at: AtStep, texts: Texts) => Record<string, unknown> | null;
  /** What its limit is asked by, beside the axle end; null where there is no single figure. */
  limited?: (at: AtStep) => { reading: Limited; asking?: Asking } | null;
  /** The limit is no length that a ruler could show. */
  unruled?: true;
  /** It is judged by the reservoir's pressure, which is asked for before the first. */
  reservoir?: true;
  /** Its verdict stands beside the place rather than beside the figure. */
  verdictAside?: true;
  /** The one-tap answer; null where something else was noted already. */
  quick?: (at: AtStep) => Quick | null;
  /** What is noted where it is looked at together with others and found in order, and what that looks like. */
  looksGood?: (at: AtStep) => { note: Note; words: string } | null;
  /** What a key notes that is no whole answer yet. */
  good?: (at: AtStep) => Note;
  /** What is the same at many steps and no measurement goes along to the next. */
  carry?: (at: AtStep) => Draft['carried'];
  /** Whole inches it can have, and the one it most often has. */
  wholes?: { keys: readonly number[]; usual: number };
  /** Why a reading is unlikely, in a sentence. */
  unlikely?: Partial<Record<Doubt['way'], string>>;
  /** Several fields in a shape of their own; one below the other where it has none. */
  fieldsPad?: (at: AtStep) => ComponentType<FieldsProps> | null;
  /** What may be chosen beside the figures. */
  Options?: ComponentType<PadProps>;
  /** A pad of its own; figures alone where it has none. */
  Pad?: ComponentType<PadProps>;
}

export const field = (id: string, label: string, keys: PadField['keys']): PadField => ({ id, label, keys });
export const valueField = (label: string, keys: PadField['keys']): PadField => field('value', label, keys);
export const optionalField = (id: string, label: string, keys: PadField['keys']): PadField => ({
  ...field(id, label, keys),
  optional: true,
});

/** The named texts that were written. */
export const pick = (texts: Texts, ...ids: string[]): Record<string, string> =>
  Object.fromEntries(ids.flatMap((id) => (texts[id] === undefined ? [] : [[id, texts[id] as string]])));

/** Two texts that count only together. */
export const pair = (texts: Texts, first: string, second: string): [string, string] | undefined => {
  const [a, b] = [texts[first], texts[second]];
  return a && b ? [a, b] : undefined;
};

/** The body of a kind that is one value, and what may stand beside it. */
export const valueBody =
  (...beside: string[]): KindPad['body'] =>
  (_, texts) =>
    texts.value ? pick(texts, 'value', ...beside) : null;
