// The page that holds a unit's exported history against itself, on any device and without a server.
import { historySchema, wrongIn } from '../../core/src/proof/history';

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
  for (const { nr, event, what } of own) say(`${nr} ${what}${event ? ` ${event}` : ''}`, 'entry');
}

document.querySelector('input')?.addEventListener('change', ({ target }) => {
  const [file] = (target as HTMLInputElement).files ?? [];
  if (file) void check(file);
});
