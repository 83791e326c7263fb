import { z } from 'zod';

/*
 * A signature binds who, what and when by a key that lives in one device and cannot leave it: ECDSA over P-256 with SHA-256, in the
 * form of IEEE P1363, of a text that a person can read.
 */

const base64url = z.string().regex(/^[A-Za-z0-9_-]+$/);
/** A public key, as its two coordinates. */
export const publicKeySchema = z.strictObject({ x: base64url.length(43), y: base64url.length(43) });
export type PublicKey = z.infer<typeof publicKeySchema>;

/** How a command is signed. `text` is what was signed, see {@link signedText}. */
export const signatureSchema = z.strictObject({
  key: z.uuid(),
  text: z.string().max(20_000),
  value: base64url.length(86),
});
export type Signature = z.infer<typeof signatureSchema>;

export const SIGNED_FORM = 'zealous-axle/signed/1';

/** What somebody signs. */
export interface SignedAct {
  name: string;
  /** The command's id. */
  id: string;
  at: string;
  person: string;
  fleet: string;
  /** What it does, as its person read it. */
  label: string;
  body: unknown;
}

const HEAD_LINES = 7;
/** A line of a head: what a person wrote stays on one line. */
const inLine = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** The text that is signed: seven lines that say what it is, and the command's body as JSON. */
export const signedText = ({ name, id, at, person, fleet, label, body }: SignedAct): string =>
  [SIGNED_FORM, name, id, at, inLine(person), inLine(fleet), inLine(label), JSON.stringify(body)].join('\n');

/** What a signed text says; null where it is none. */
export function readSigned(text: string): SignedAct | null {
  const lines = text.split('\n');
  const [form, name = '', id = '', at = '', person = '', fleet = '', label = ''] = lines;
  if (form !== SIGNED_FORM || lines.length <= HEAD_LINES) return null;
  try {
    return { name, id, at, person, fleet, label, body: JSON.parse(lines.slice(HEAD_LINES).join('\n')) };
  } catch {
    return null;
  }
}

/** A signature with the key it is by: what a certificate's code holds, and whoever reads it needs nothing else. */
const provenSchema = z.strictObject({ text: z.string(), value: base64url, ...publicKeySchema.shape });
export type Proven = z.infer<typeof provenSchema>;

const CODE_FORM = 'ZA1';
/** What stands in a certificate's code: the signature and its key, then the text, which a person can read as it is. */
export const codeOf = ({ text, value, x, y }: Proven): string => `${CODE_FORM} ${value} ${x} ${y}\n${text}`;

/** What a certificate's code holds; null where it is none. */
export function readCode(code: string): Proven | null {
  const end = code.indexOf('\n');
  const [form, value, x, y] = code.slice(0, end).trim().split(' ');
  const read = provenSchema.safeParse({ text: code.slice(end + 1), value, x, y });
  return form === CODE_FORM && end > 0 && read.success ? read.data : null;
}
