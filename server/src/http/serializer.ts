import fastJson from 'fast-json-stringify';
import type { FastifySerializerCompiler } from 'fastify';
import { z } from 'zod';

const build = (schema: z.ZodType) =>
  fastJson(
    z.toJSONSchema(schema, { target: 'draft-7', io: 'output', reused: 'inline', unrepresentable: 'any' }) as never,
  );

const writers = new WeakMap<z.ZodType, ReturnType<typeof build>>();

/** The serializer of a schema, made once in a process. */
function writerOf(schema: z.ZodType): ReturnType<typeof build> {
  const known = writers.get(schema) ?? build(schema);
  writers.set(schema, known);
  return known;
}

/**
 * Replies are written by a serializer made from the reply's own Zod schema, at the first reply that needs it. Checking
 * each reply with Zod would halve the speed; the types of the handlers already hold the shape.
 */
export const serializerCompiler: FastifySerializerCompiler<z.ZodType> =
  ({ schema }) =>
  (reply) =>
    writerOf(schema)(reply);
