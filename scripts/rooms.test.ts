import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, realpathSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = join(__dirname, '..');
const RESTRICTED = 'lint/style/noRestrictedImports';
const CYCLE = 'lint/suspicious/noImportCycles';

/** A copy of the house, so that nothing written into it is met by whatever else reads the house at that time. */
const house = realpathSync(mkdtempSync(join(tmpdir(), 'rooms-')));
beforeAll(() => {
  for (const part of [
    'biome.json',
    'biome.rooms.json',
    '.gitignore',
    'package.json',
    'core/src',
    'server/src',
    'app/src',
  ])
    cpSync(join(ROOT, part), join(house, part), { recursive: true });
  symlinkSync(join(ROOT, 'node_modules'), join(house, 'node_modules'));
});
afterAll(() => rmSync(house, { recursive: true }));

/** What the linter says of files written into the house for a moment: the rule and the file of each complaint. */
function complaints(files: Record<string, string>): string[] {
  const paths = Object.keys(files);
  try {
    for (const [path, text] of Object.entries(files)) writeFileSync(join(house, path), text);
    const run = spawnSync('npx', ['biome', 'lint', '--reporter=github', '--max-diagnostics=200', ...paths], {
      cwd: house,
      encoding: 'utf8',
    });
    return `${run.stdout}${run.stderr}`.split('\n').flatMap((line) => {
      const [, rule, file] = /title=(lint\/[^,]+),file=([^,]+)/.exec(line) ?? [];
      return rule && file && (rule === RESTRICTED || rule === CYCLE)
        ? [`${rule} ${file.replace(`${house}/`, '')}`]
        : [];
    });
  } finally {
    for (const path of paths) rmSync(join(house, path), { force: true });
  }
}

const using = (from: string) => `import { x } from '${from}';\n\nexport const y = x;\n`;

const AGAINST: [where: string, from: string][] = [
  ['core/src/measure/zz-up.ts', '../trailer'],
  ['core/src/judge/zz-later.ts', '../inspection'],
  ['core/src/judge/zz-past-index.ts', '../trailer/gear'],
  ['core/src/reading/kinds/zz-kind.ts', '../../judge'],
  ['server/src/store/zz-up.ts', '../run'],
  ['server/src/run/zz-past-index.ts', '../store/columns'],
  ['server/src/zz-past-index.ts', './units/queries'],
  ['app/src/look/zz-up.ts', '../parts/Text'],
  ['app/src/device/zz-server.ts', '../server/client'],
  ['app/src/work/yard/zz-other-room.tsx', '../repair/Job'],
  ['app/src/work/inspection/kinds/zz-other-room.tsx', '../../repair/Job'],
];
const ALONG: [where: string, from: string][] = [
  ['core/src/judge/zz-down.ts', '../trailer'],
  ['core/src/reading/kinds/zz-down.ts', '../../measure'],
  ['server/src/run/zz-down.ts', '../store'],
  ['app/src/parts/zz-down.ts', '../look/wide'],
  ['app/src/work/yard/zz-down.tsx', '../../parts/Text'],
];
const asFiles = (pairs: [string, string][]) => Object.fromEntries(pairs.map(([where, from]) => [where, using(from)]));

test('an import against the arrows, or past a room’s index, is refused', () => {
  expect(complaints(asFiles(AGAINST)).sort()).toEqual(AGAINST.map(([where]) => `${RESTRICTED} ${where}`).sort());
});

test('an import along the arrows is not', () => {
  expect(complaints(asFiles(ALONG))).toEqual([]);
});

test('files that import each other are refused', () => {
  const [one, two] = ['core/src/measure/zz-one.ts', 'core/src/measure/zz-two.ts'];
  const found = complaints({
    [one]: "import { b } from './zz-two';\n\nexport const a = () => b;\n",
    [two]: "import { a } from './zz-one';\n\nexport const b = () => a;\n",
  });
  expect(found.sort()).toEqual([`${CYCLE} ${one}`, `${CYCLE} ${two}`]);
});
