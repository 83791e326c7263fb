import { KnownProblem } from '../problem';
import { beside, eachInTurn } from '.';

test('a list is read by its columns, its cells as they were before a spreadsheet was kept from running them', async () => {
  const read = await beside('csv', '\uFEFFunit,words\r\nT-1,\'=1+1\r\n\r\nT-2,"two, cells"\r\n');
  expect(read).toEqual({
    columns: ['unit', 'words'],
    rows: [
      { unit: 'T-1', words: '=1+1' },
      { unit: 'T-2', words: 'two, cells' },
    ],
    broken: [],
  });
});

test('a broken line is named, and the others are read', async () => {
  const { rows, broken } = await beside('csv', 'unit,words\nT-1,one,more\nT-2,two\n');
  expect(broken).toEqual([{ row: 0, message: expect.stringContaining('Too many fields') }]);
  expect(rows[1]).toEqual({ unit: 'T-2', words: 'two' });
});

test('a long list lets others come in between, and keeps its order', async () => {
  const list = Array.from({ length: 1_000 }, (_, n) => n);
  const order: string[] = [];
  const done = eachInTurn(list, (each, index) => [each, index]).then((all) => {
    order.push('the list');
    return all;
  });
  setImmediate(() => order.push('another'));
  expect(await done).toEqual(list.map((each) => [each, each]));
  expect(order).toEqual(['another', 'the list']);
});

test('what fails in the work fails for whoever asked', async () => {
  await expect(
    eachInTurn([1], () => {
      throw new KnownProblem('invalid');
    }),
  ).rejects.toMatchObject({ code: 'invalid' });
});
