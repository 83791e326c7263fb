import sharp from 'sharp';
import { TINY_JPEG } from '../testing/sample-bodies';
import { jpegOf } from './jpeg';

const photo = () => sharp({ create: { width: 60, height: 40, channels: 3, background: '#754' } });
const grain = () =>
  sharp({
    create: {
      width: 300,
      height: 200,
      channels: 3,
      background: '#754',
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
    },
  });

test('a picture is written anew: of its own size, the right way up, without what else it carried', async () => {
  const sent = await photo()
    .withExif({ IFD0: { Copyright: 'somebody’s secret', Orientation: '6' } })
    .jpeg()
    .toBuffer();
  const behind = Buffer.concat([sent, Buffer.from('<script>bytes behind the picture</script>')]);
  expect(behind.toString('latin1')).toContain('Exif');
  const { jpeg, width, height } = await jpegOf(behind.toString('base64'));
  expect(['Exif', 'secret', 'script'].filter((word) => jpeg.toString('latin1').includes(word))).toEqual([]);
  const kept = await sharp(jpeg).metadata();
  expect([kept.width, kept.height, kept.format]).toEqual([width, height, 'jpeg']);
  expect([width, height].sort()).toEqual([40, 60]);
});

test.each<[string, () => Promise<Buffer>]>([
  ['only begins like one', async () => Buffer.from([0xff, 0xd8, 0xff, 0xd9])],
  ['was cut off', async () => (await grain().jpeg().toBuffer()).subarray(0, 9_000)],
  ['is of another kind', async () => photo().png().toBuffer()],
  ['is none at all', async () => Buffer.from('hello')],
])('what %s is refused', async (_, make) => {
  await expect(jpegOf((await make()).toString('base64'))).rejects.toMatchObject({ code: 'invalid' });
});

test('the smallest one is one', async () => {
  expect(await jpegOf(TINY_JPEG)).toMatchObject({ width: 1, height: 1 });
});
