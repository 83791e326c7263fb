import { begun } from '../testing/inspection';
import { device } from './device';
import { clearOldDrafts, findDraft, keepDraft, openDrafts } from './drafts';

const DAY_MS = 86_400_000;
const open = (inspection: string, startedAt = '2026-03-02T12:00:00Z') => begun({ inspection, startedAt });
const closed = (inspection: string) => ({ ...open(inspection), closed: true });
const names = async () => (await openDrafts('u')).map(({ inspection }) => inspection);

beforeEach(async () => {
  await (await device()).clear('drafts');
  await (await device()).clear('outbox');
});

test('inspections in progress are found, the newest first, and closed ones are not', async () => {
  await keepDraft(open('monday', '2026-03-02T12:00:00Z'));
  await keepDraft(open('tuesday', '2026-03-03T12:00:00Z'));
  await keepDraft(closed('done'));
  expect(await names()).toEqual(['tuesday', 'monday']);
  expect(await findDraft('done')).toMatchObject({ closed: true });
  expect(await findDraft('elsewhere')).toBeNull();
});

test('where the storage takes nothing, an inspection goes on in this window until it does again', async () => {
  const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  expect(await keepDraft({ ...open('i'), reservoir: '95' })).toBe(false);
  expect(await findDraft('i')).toMatchObject({ reservoir: '95' });
  expect(await names()).toEqual(['i']);
  full.mockRestore();
  expect(await keepDraft({ ...open('i'), reservoir: '96' })).toBe(true);
  expect(await (await device()).get('drafts', 'i')).toMatchObject({ reservoir: '96' });
  expect(await findDraft('i')).toMatchObject({ reservoir: '96' });
});

test('old closed inspections make room, unless something of them still waits', async () => {
  for (const draft of [closed('old'), closed('waiting'), open('open')]) await keepDraft(draft);
  const body = { inspection: 'waiting' };
  await (await device()).put('outbox', { id: 'x', person: 'p', name: 'take-reading', at: '', body, label: '' });
  const started = Date.parse(open('open').startedAt);
  await clearOldDrafts(started + 10 * DAY_MS);
  expect(await findDraft('old')).not.toBeNull();
  await clearOldDrafts(started + 400 * DAY_MS);
  expect(await findDraft('old')).toBeNull();
  expect(await findDraft('waiting')).not.toBeNull();
  expect(await names()).toEqual(['open']);
});
