import { roadWays } from './road';

test('each way is a sum of the shop’s own figures', () => {
  const costs = { callOut: 18_500, serviceHour: 12_000, lostHour: 9_000, fine: 60_000, points: 6 };
  const { service, drive, found } = roadWays(costs, { untilService: 60, work: 45, toShop: 80 });
  expect(service.lines.map(({ cost, sum }) => [cost, sum])).toEqual([
    ['callOut', 18_500],
    ['serviceHour', 9_000],
    ['lostHour', 15_750],
  ]);
  expect([service.sum, drive.sum, found.sum]).toEqual([43_250, 12_000, 72_000]);
});
