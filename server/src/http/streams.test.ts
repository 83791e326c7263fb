import Fastify from 'fastify';
import type { App } from './serving';
import { openStreams } from './streams';

/** A reply whose stream is only counted. */
function streamed() {
  const said = { closed: 0 };
  const reply = { sse: { close: () => void said.closed++, onClose: () => undefined } };
  return { said, reply: reply as never };
}

test('streams end when the server stops, also one that is opened by a request that was under way then', async () => {
  const app = Fastify();
  const opened = openStreams(app as never as App);
  const [before, meanwhile] = [streamed(), streamed()];
  opened(before.reply);
  await app.close();
  expect(before.said.closed).toBe(1);
  opened(meanwhile.reply);
  expect(meanwhile.said.closed).toBe(1);
});

test('of one person’s streams the oldest ends where a sixth is opened; of others none does', async () => {
  const opened = openStreams(Fastify() as never as App);
  const own = Array.from({ length: 6 }, streamed);
  const other = streamed();
  opened(other.reply, 'other');
  for (const { reply } of own) opened(reply, 'one');
  expect(own.map(({ said }) => said.closed)).toEqual([1, 0, 0, 0, 0, 0]);
  expect(other.said.closed).toBe(0);
});
