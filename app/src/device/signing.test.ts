import { readSigned } from '@zealous-axle/core';
import { device } from './device';
import { enrolKey, forgetKey, type OwnKey, signAct } from './signing';

// The tests' storage cannot hold a key that cannot be read out; a browser's does (`e2e/records.spec.ts`).
jest.mock('./device', () => {
  const keys = new Map<string, unknown>();
  const db = {
    get: async (_: string, person: string) => keys.get(person),
    put: async (_: string, key: unknown, person: string) => void keys.set(person, key),
    delete: async (_: string, person: string) => void keys.delete(person),
    clear: async () => keys.clear(),
  };
  return { device: async () => db };
});

const ACT = {
  name: 'certify-job',
  id: '01900000-0000-7000-8000-000000000001',
  at: '2026-03-02T12:00:00.000Z',
  person: 'Tomas Rask',
  fleet: 'Low Marsh',
  label: 'Certified',
  body: { job: 'j' },
};
const KEY = '01900000-0000-4000-8000-000000000002';

beforeEach(async () => (await device()).clear('keys'));

test('before the server knows a key nothing is signed; then what is signed is by that key, and says what was done', async () => {
  expect(await signAct('tomas', ACT)).toBeUndefined();
  const enrol = jest.fn(async (_: { x: string; y: string }) => KEY as string | null);
  await enrolKey('tomas', enrol);
  await enrolKey('tomas', enrol);
  expect(enrol).toHaveBeenCalledTimes(1);
  const signed = await signAct('tomas', ACT);
  expect(signed?.key).toBe(KEY);
  expect(readSigned(signed?.text ?? '')).toEqual(ACT);
  const [{ x, y }] = enrol.mock.calls[0] ?? [{ x: '', y: '' }];
  const ecdsa = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
  const key = await crypto.subtle.importKey('jwk', { kty: 'EC', crv: 'P-256', x, y }, ecdsa, false, ['verify']);
  const fits = (text: string) =>
    crypto.subtle.verify(ecdsa, key, Buffer.from(signed?.value ?? '', 'base64url'), Buffer.from(text));
  expect([await fits(signed?.text ?? ''), await fits(`${signed?.text} `)]).toEqual([true, false]);
});

test('nobody signs with another person’s key on a shared device', async () => {
  await enrolKey('tomas', async () => KEY);
  expect(await signAct('wyn', ACT)).toBeUndefined();
});

test('its private half cannot be read out', async () => {
  await enrolKey('tomas', async () => KEY);
  const kept: OwnKey | undefined = await (await device()).get('keys', 'tomas');
  if (!kept) throw new Error('no key');
  expect(kept.pair.privateKey.extractable).toBe(false);
  await expect(crypto.subtle.exportKey('jwk', kept.pair.privateKey)).rejects.toThrow();
});

test('one the server no longer takes is drawn anew, once; one it cannot be asked about stays for the next time', async () => {
  const told: string[] = [];
  await enrolKey('tomas', async ({ x }) => {
    told.push(x);
    return told.length === 1 ? null : KEY;
  });
  expect(new Set(told).size).toBe(2);
  await forgetKey('tomas');
  expect(await signAct('tomas', ACT)).toBeUndefined();
  const offline = async () => {
    throw new Error('no signal');
  };
  await expect(enrolKey('tomas', offline)).rejects.toThrow('no signal');
  expect(await signAct('tomas', ACT)).toBeUndefined();
  await enrolKey('tomas', async () => KEY);
  expect((await signAct('tomas', ACT))?.key).toBe(KEY);
});

test('what a person reads on a page without keys is signed by the session alone', async () => {
  const { subtle } = crypto;
  Object.defineProperty(crypto, 'subtle', { value: undefined, configurable: true });
  const enrol = jest.fn();
  await enrolKey('tomas', enrol);
  expect([enrol.mock.calls.length, await signAct('tomas', ACT)]).toEqual([0, undefined]);
  Object.defineProperty(crypto, 'subtle', { value: subtle, configurable: true });
});
