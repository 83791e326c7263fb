import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { programTexts } from './program-text';

const ROOT = join(__dirname, '..');
const texts = programTexts(ROOT);

/** The table of terms: what a thing is called in American and in British English. */
const TERMS = readFileSync(join(ROOT, 'docs/terms.md'), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('|'))
  .map((line) => line.slice(1, -1).split('|'))
  .filter((cells) => cells.length === 6 && cells[1] && !/^(-|en-US)/.test(cells[1]))
  .map(([, american = '', british = '']) => ({ american, british }));

/** Each of several words for one thing, without what is said of it in brackets. */
const each = (cell: string): string[] =>
  cell
    .replace(/\(.*?\)|\[.*?\]/g, '')
    .split(',')
    .map((word) => word.trim().toLowerCase())
    .filter(Boolean);

const saying = (word: string) => {
  const whole = new RegExp(`\\b${word}s?\\b`, 'i');
  // A book quotes the law of its country in that country's words.
  return texts.filter(({ file, text }) => whole.test(text) && !file.includes('/books/gb/'));
};

test('there is a table of terms, and texts of the program to hold against it', () => {
  expect(TERMS.length).toBeGreaterThan(200);
  expect(texts.length).toBeGreaterThan(7_000);
  // What stands behind a key of a catalog is read as what stands in a list is.
  expect(texts.map(({ text }) => text)).toEqual(expect.arrayContaining(['No braking action', 'Brake hose']));
});

test('the source speaks American: no British word for what has its own', () => {
  const ours = new Set(TERMS.flatMap(({ american }) => each(american)));
  const theirs = new Set(TERMS.flatMap(({ british }) => each(british)));
  const short = 4;
  for (const word of theirs) {
    if (word.startsWith('=') || word.length < short || ours.has(word)) continue;
    expect(saying(word)).toEqual([]);
  }
  for (const word of ['windscreen', 'licence', 'colour', 'centre', 'kerb', 'catalogue', 'aluminium'])
    expect(saying(word)).toEqual([]);
});

test('nothing the program says is surer than what is on record', () => {
  for (const word of ['safe', 'roadworthy', 'compliant', 'approved']) expect(saying(word)).toEqual([]);
});
