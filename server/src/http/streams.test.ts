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
