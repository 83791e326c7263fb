import fastJson from 'fast-json-stringify';
import type { FastifySerializerCompiler } from 'fastify';
import { z } from 'zod';

/**
 * Replies are written by a serializer made once from the reply's own Zod schema. Checking each reply with Zod
 * would halve the speed; the types of the handlers already hold the shape.
 */
export const serializerCompiler: FastifySerializerCompiler<z.ZodType> = ({ schema }) =>
  fastJson(
    z.toJSONSchema(schema, { target: 'draft-7', io: 'output', reused: 'inline', unrepresentable: 'any' }) as never,
  );
