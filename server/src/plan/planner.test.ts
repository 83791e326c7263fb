import { execFile } from 'node:child_process';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);
let told: Record<'endless' | 'hungry' | 'many', string[]>;
beforeAll(async () => {
  const folder = await mkdtemp(join(tmpdir(), 'za-'));
  const script = join(__dirname, '../testing/planner-threads.ts');
  const { stdout } = await run(process.execPath, ['--import', 'tsx', script, folder]);
  told = JSON.parse(stdout);
  await rm(folder, { recursive: true });
}, 60_000);

test.each(['endless', 'hungry'] as const)(
  'a thread whose work is %s is ended and told of as too late, and what waited behind it is done',
  (which) => expect(told[which]).toEqual(['too-slow', 'planned', 'planned']),
);
test('who comes while too many wait is told so, and everybody else is answered', () => {
  // Whether the thread had taken up the first of them already is a matter of moments.
  expect(told.many.slice(0, 3)).toEqual(['planned', 'planned', 'planned']);
  expect(told.many.slice(4)).toEqual(['busy', 'busy']);
});
