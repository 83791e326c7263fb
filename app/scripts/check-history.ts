// The page that holds a unit's exported history against itself, on any device and without a server.
import { historySchema, wrongIn } from '../../core/src/proof/history';
import { readCode, readSigned } from '../../core/src/proof/signature';

const sha256 = async (of: string | Uint8Array): Promise<string> => {
  const bytes = typeof of === 'string' ? new TextEncoder().encode(of) : new Uint8Array(of);
  const sum = await crypto.subtle.digest('SHA-256', bytes);
  return [...new Uint8Array(sum)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
};

const WORDS = {
  entry: 'is not what was sealed',
  event: 'tells another event than was sealed',
  row: 'has a row that was changed',
  rows: 'has other rows than were sealed',
  order: 'does not follow the one before it',
  head: 'is not the newest',
  'left-out': 'of this unit is missing here',
} as const;

const out = document.querySelector('main') as HTMLElement;
const say = (text: string, look = '') => {
  const line = document.createElement('p');
  line.textContent = text;
  line.className = look;
  out.append(line);
};

async function check(file: File): Promise<void> {
  out.replaceChildren();
  const read = await file
    .text()
    .then((text) => historySchema.safeParse(JSON.parse(text)))
    .catch(() => null);
  if (!read?.success) return say('This is not a unit’s history.', 'stop');
  const { unit, fleet, made, head, entries } = read.data;
  say(`${unit.number}, ${fleet.name}, saved ${made}`, 'title');
  const wrong = await wrongIn(read.data, sha256);
  for (const each of wrong) say(`Entry ${each.nr} ${WORDS[each.wrong]}${each.row ? `: ${each.row}` : ''}.`, 'stop');
  const own = entries.filter(({ event, rows }) => event !== undefined || rows !== undefined);
  say(
    wrong.length ? 'It is NOT as it was written.' : `${own.length} entries hold together.`,
    wrong.length ? 'stop' : 'title',
  );
  say(
    `Compare with what you know from elsewhere, like a certificate: entry ${head.nr}, ${head.hash.replace(/(.{8})(?=.)/g, '$1 ')}`,
  );
  say(
    `Its newest entry here is ${own[0]?.nr ?? 'none'}: whether something newer was left out, this file does not show.`,
  );
  for (const { nr, event, what } of own) say(`${nr} ${what ?? ''}${event ? ` ${event}` : ''}`, 'entry');
}

const bytesOf = (base64url: string) =>
  Uint8Array.from(atob(base64url.replaceAll('-', '+').replaceAll('_', '/')), (letter) => letter.charCodeAt(0));

/** Whether what a certificate's code holds was signed with the key in it. */
async function checkCode(code: string): Promise<void> {
  out.replaceChildren();
  const proven = readCode(code.replaceAll('\r\n', '\n').trim());
  const act = proven && readSigned(proven.text);
  if (!proven || !act) return say('This is not a certificate’s code.', 'stop');
  const { x, y, value, text } = proven;
  const ecdsa = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
  const fits = await crypto.subtle
    .importKey('jwk', { kty: 'EC', crv: 'P-256', x, y }, ecdsa, false, ['verify'])
    .then((key) => crypto.subtle.verify(ecdsa, key, bytesOf(value), new TextEncoder().encode(text)))
    .catch(() => false);
  say(`${act.label}. ${act.person}, ${act.fleet}, ${act.at}`, 'title');
  say(fits ? 'It was signed with this key, word by word.' : 'It was NOT signed so.', fits ? 'title' : 'stop');
  say(`Ask the fleet whether this key is ${act.person}’s: ${x.slice(0, 12)}…`);
  say(text, 'entry');
}

document.querySelector('textarea')?.addEventListener('input', ({ target }) => {
  const text = (target as HTMLTextAreaElement).value;
  if (text.trim()) void checkCode(text);
});
document.querySelector('input')?.addEventListener('change', ({ target }) => {
  const [file] = (target as HTMLInputElement).files ?? [];
  if (file) void check(file);
});
