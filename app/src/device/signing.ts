import { type PublicKey, type Signature, type SignedAct, signedText } from '@zealous-axle/core';
import { device } from './device';

/** A person's key on this device: its private half cannot be read out, by us or by anybody. */
export interface OwnKey {
  /** What the server knows it by; null while it has not taken it up. */
  id: string | null;
  pair: CryptoKeyPair;
}

const ECDSA = { name: 'ECDSA', namedCurve: 'P-256' };
const SHA = { name: 'ECDSA', hash: 'SHA-256' };

/** Whether this device can keep keys: a page that is not served over TLS, or from this machine, cannot. */
const canSign = (): boolean => typeof crypto !== 'undefined' && crypto.subtle !== undefined;

const keptKey = async (person: string): Promise<OwnKey | undefined> => (await device()).get('keys', person);

async function drawKey(person: string): Promise<OwnKey> {
  const pair = await crypto.subtle.generateKey(ECDSA, false, ['sign', 'verify']);
  const key: OwnKey = { id: null, pair };
  await (await device()).put('keys', key, person);
  return key;
}

/**
 * Has the server take up this person's key on this device, drawn where there is none. `enrol` gives the key's id, or null where the
 * server no longer takes it: then another is drawn, once. What cannot keep keys signs by the session alone.
 */
export async function enrolKey(person: string, enrol: (key: PublicKey) => Promise<string | null>): Promise<void> {
  if (!canSign()) return;
  const known = await keptKey(person);
  if (known?.id) return;
  let key = known ?? (await drawKey(person));
  for (let tries = 0; tries < 2; tries++) {
    const { x = '', y = '' } = await crypto.subtle.exportKey('jwk', key.pair.publicKey);
    const id = await enrol({ x, y });
    if (id) return void (await (await device()).put('keys', { ...key, id }, person));
    key = await drawKey(person);
  }
}

/** Lets a key go that the server refused: the next sign-in draws another. */
export const forgetKey = async (person: string): Promise<void> => (await device()).delete('keys', person);

const base64url = (bytes: ArrayBuffer): string =>
  btoa(String.fromCharCode(...new Uint8Array(bytes)))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');

/** Signs an act as this person; nothing where this device holds no key of theirs that the server knows. */
export async function signAct(person: string, act: SignedAct): Promise<Signature | undefined> {
  if (!canSign()) return undefined;
  const key = await keptKey(person).catch(() => undefined);
  if (!key?.id) return undefined;
  const text = signedText(act);
  const value = await crypto.subtle.sign(SHA, key.pair.privateKey, new TextEncoder().encode(text));
  return { key: key.id, text, value: base64url(value) };
}
