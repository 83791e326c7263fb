import { z } from 'zod';
import type { SaidArgs } from './codes';

/** A written quantity – `2 1/8 in`, `95 psi` –, shown in the units of whoever reads. */
export interface Figure {
  readonly figure: string;
}
/** Several things, and what stands between them. */
export interface List {
  readonly list: readonly Arg[];
  readonly by: 'comma' | 'semicolon' | 'and' | 'comma-and' | 'space';
}
/** What something said is about: a word, a count, a quantity, or something said itself. */
export type Arg = string | number | Figure | List | Said;

export type SaidCode = keyof SaidArgs;

/** Why something is so, as data: a code with what it is about. The room `words` makes sentences of it, and nothing else does. */
export interface Said {
  readonly code: string;
  readonly args?: Readonly<Record<string, Arg>> | undefined;
}

export const figure = (text: string): Figure => ({ figure: text });
export const listed = (list: readonly Arg[], by: List['by'] = 'comma'): List => ({ list, by });

/** A code with its arguments, each of the type the code asks for. */
export const said = <C extends SaidCode>(code: C, ...args: SaidArgs[C] extends null ? [] : [SaidArgs[C]]): Said =>
  args.length ? { code, args: args[0] as Record<string, Arg> } : { code };

/** Words that are kept as somebody or something wrote them: a book's note, a person's own, a sentence stored before there were codes. */
export const asWritten = (text: string): Said => said('as-written', { text });

/** No wire goes deeper: a sentence with a clause in it, and a list in that. */
const DEEPEST = 6;
const argSchema = (depth: number): z.ZodType<Arg> =>
  depth === 0
    ? z.union([z.string(), z.number()])
    : z.union([
        z.string(),
        z.number(),
        z.strictObject({ figure: z.string() }),
        z.strictObject({
          list: z.array(argSchema(depth - 1)).readonly(),
          by: z.enum(['comma', 'semicolon', 'and', 'comma-and', 'space']),
        }),
        saidAt(depth - 1),
      ]);
const saidAt = (depth: number): z.ZodType<Said> =>
  z.strictObject({ code: z.string(), args: z.record(z.string(), argSchema(depth)).readonly().optional() });

/** Something said, on the wire and as it is kept. A reader that does not know a code shows the sentence beside it. */
export const saidSchema = saidAt(DEEPEST);
