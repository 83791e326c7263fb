import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type ParserOptions, parse } from '@babel/parser';

/** One text of the program, as somebody may read it: a literal, a message or an entry of a catalogue; what is filled in is `{}`. */
export interface ProgramText {
  file: string;
  line: number;
  text: string;
}

/** Not read by anybody: made up for tests, told by the demo’s people, asked of the database, or headers of other people’s files. */
const LEFT_OUT =
  /\.test\.|\.d\.|\/testing\/|\/demo\/|\/migrations\/|\/cases\.json|\/optima\.json|\/job-shops\.json|moving\/columns\.json/;
const CODE = /\.tsx?$/;
const SQL = /\b(select|insert into|update \w+ set|delete from|with \w+ as|set local|pg_\w+)\b/;
/** Attributes that hold no words. */
const NO_WORDS = /lassName$|^(d|id|style|viewBox|name|fill|stroke)$/;

/** Words, and not a name of something in code: it has a space, or begins large. */
const isRead = (text: string): boolean =>
  /[A-Za-z]{2}/.test(text) && (/\S\s+\S/.test(text) || /^[A-Z][a-z’-]+…?$/.test(text)) && !SQL.test(text);

interface Node {
  type: string;
  loc?: { start: { line: number } };
  [key: string]: unknown;
}
const isNode = (value: unknown): value is Node => typeof (value as Node | null)?.type === 'string';
const childrenOf = (node: Node): Node[] => Object.values(node).flat().filter(isNode);

/** The text of a node, where it is one. */
function textOf(node: Node): string | null {
  if (node.type === 'StringLiteral') return node.value as string;
  if (node.type === 'JSXText') return (node.value as string).replace(/\s+/g, ' ').trim();
  if (node.type !== 'TemplateLiteral') return null;
  return (node.quasis as { value: { cooked: string } }[]).map(({ value }) => value.cooked).join('{}');
}

const skipped = (node: Node): boolean =>
  /^(Import|TSLiteralType|TaggedTemplate)/.test(node.type) ||
  (node.type === 'ExportNamedDeclaration' && Boolean(node.source)) ||
  (node.type === 'JSXAttribute' && NO_WORDS.test(String((node.name as Node).name)));

function codeTexts(file: string, source: string): ProgramText[] {
  const plugins: ParserOptions['plugins'] = file.endsWith('x') ? ['typescript', 'jsx'] : ['typescript'];
  const texts: ProgramText[] = [];
  const visit = (node: Node): void => {
    if (skipped(node)) return;
    const text = textOf(node);
    if (text && isRead(text)) texts.push({ file, line: node.loc?.start.line ?? 0, text });
    for (const child of childrenOf(node)) visit(child);
  };
  visit(parse(source, { sourceType: 'module', plugins }).program as unknown as Node);
  return texts;
}

const catalogueTexts = (file: string, source: string): ProgramText[] =>
  source
    .split('\n')
    .flatMap((row, index) =>
      [...row.matchAll(/"((?:[^"\\]|\\.)*)"(\s*:)?/g)].flatMap(([, text = '', isKey]) =>
        !isKey && isRead(text) ? { file, line: index + 1, text } : [],
      ),
    );

/** Everything of the program that somebody may read, by file and line. */
export function programTexts(root: string): ProgramText[] {
  const files = execFileSync('git', ['ls-files', 'core/src', 'server/src', 'app/src'], { cwd: root, encoding: 'utf8' });
  return files
    .trim()
    .split('\n')
    .filter((file) => !LEFT_OUT.test(file) && (CODE.test(file) || file.endsWith('.json')))
    .flatMap((file) => {
      const source = readFileSync(join(root, file), 'utf8');
      return CODE.test(file) ? codeTexts(file, source) : catalogueTexts(file, source);
    });
}
