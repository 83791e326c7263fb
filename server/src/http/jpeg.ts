import type { FastifyReply } from 'fastify';

const WEEK_S = 604_800;

/** A picture as an answer: it never changes, and nothing reads it as anything else. */
export const sendJpeg = (reply: FastifyReply, jpeg: Buffer) =>
  reply
    .type('image/jpeg')
    .header('cache-control', `private, max-age=${WEEK_S}, immutable`)
    .header('x-content-type-options', 'nosniff')
    .send(jpeg);
