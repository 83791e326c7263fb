import { IntlMessageFormat } from 'intl-messageformat';
import type { Arg, Said, SaidCode } from '../said';
import EN_US from './en-US.json';

/** The messages of a language by their codes, in ICU's MessageFormat: of every code one, or this does not compile. */
const LANGUAGES = { 'en-US': EN_US } as const satisfies Record<string, Record<SaidCode, string>>;
export type Language = keyof typeof LANGUAGES;
/** Nor does it where a message is of no code any more. */
type Stale<M> = Exclude<keyof M, SaidCode>;
const NONE_STALE: { [L in Language]: [Stale<(typeof LANGUAGES)[L]>] extends [never] ? true : never } = {
  'en-US': true,
};

/** How somebody is spoken to: in which language, and each quantity as they read it. */
export interface Speaking {
  language?: Language;
  shown?: (quantity: string) => string;
}

const formats = new Map<string, IntlMessageFormat>();

/** A message made ready, once: there are as many as codes and languages. */
function formatOf(language: Language, code: string): IntlMessageFormat | null {
  const key = `${language} ${code}`;
  const known = formats.get(key);
  if (known) return known;
  const message = NONE_STALE[language] && (LANGUAGES[language] as Readonly<Record<string, string>>)[code];
  if (!message) return null;
  const made = new IntlMessageFormat(message, language);
  formats.set(key, made);
  return made;
}

const BETWEEN = { comma: ', ', semicolon: '; ', and: ' and ', 'comma-and': ', and ', space: ' ' } as const;
/** What a sentence is made of by this stands at its beginning. */
const OPENS = 'sentence';

const large = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function worded(arg: Arg, how: Speaking): string | number {
  if (typeof arg !== 'object') return arg;
  if ('figure' in arg) return how.shown ? how.shown(arg.figure) : arg.figure;
  if ('list' in arg) return arg.list.map((each) => worded(each, how)).join(BETWEEN[arg.by]);
  return words(arg, how);
}

/** What was said, in words. A code without a message, as a newer server may send, is nothing that can be read: its code. */
function words({ code, args = {} }: Said, how: Speaking): string {
  const format = formatOf(how.language ?? 'en-US', code);
  if (!format) return code;
  const values = Object.fromEntries(Object.entries(args).map(([name, arg]) => [name, worded(arg, how)]));
  const text = String(format.format(values));
  return code === OPENS ? large(text) : text;
}

/** Sentences of what was said, one after the other. */
export const sentences = (said: readonly Said[], how: Speaking = {}): string =>
  said.map((each) => words(each, how)).join(' ');
