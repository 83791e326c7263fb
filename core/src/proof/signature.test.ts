import fc from 'fast-check';
import { codeOf, readCode, readSigned, type SignedAct, signatureSchema, signedText } from './signature';

const act: SignedAct = {
  name: 'certify-job',
  id: '0195f3a0-0000-7000-8000-000000000001',
  at: '2026-03-02T12:00:00.000Z',
  person: 'Tomas Rask',
  fleet: 'Low Marsh Growers',
  label: 'H-15: certified',
  body: { job: 'j', statement: 'Repaired' },
};
const [x, y, value] = ['x'.repeat(43), 'y'.repeat(43), 'v'.repeat(86)];

test('what is signed is a text a person can read, and is read back as it was', () => {
  expect(signedText(act).split('\n').slice(0, 7)).toEqual([
    'zealous-axle/signed/1',
    'certify-job',
    act.id,
    act.at,
    'Tomas Rask',
    'Low Marsh Growers',
    'H-15: certified',
  ]);
  expect(readSigned(signedText(act))).toEqual(act);
});

test('no name, label or word of a person makes one line into two, or another body', () =>
  fc.assert(
    fc.property(fc.string(), fc.string(), fc.jsonValue(), (person, label, body) => {
      const read = readSigned(signedText({ ...act, person, label, body }));
      expect(read).toMatchObject({ name: act.name, id: act.id, at: act.at, fleet: act.fleet });
      expect(JSON.stringify(read?.body)).toBe(JSON.stringify(body));
    }),
  ));

test('a code holds the signature, its key and the text, and what is none is not read', () => {
  const proven = { text: signedText(act), value, x, y };
  expect(readCode(codeOf(proven))).toEqual(proven);
  for (const code of [
    '',
    'ZA1',
    `ZA2 ${value} ${x} ${y}\n${proven.text}`,
    `ZA1 ${value} ${x}\n${proven.text}`,
    'ZA1 a b c\n',
  ])
    expect(readCode(code)).toBeNull();
});

test('what is no signed text is none', () => {
  for (const text of [
    '',
    'zealous-axle/signed/1',
    signedText(act).replace('signed/1', 'signed/2'),
    `${signedText(act)}}`,
  ])
    expect(readSigned(text)).toBeNull();
});

test('a signature has the length of its curve', () => {
  const key = '0195f3a0-0000-4000-8000-000000000001';
  expect(signatureSchema.safeParse({ key, text: 't', value }).success).toBe(true);
  for (const wrong of [value.slice(1), `${value}v`, `${value.slice(1)}=`])
    expect(signatureSchema.safeParse({ key, text: 't', value: wrong }).success).toBe(false);
});
