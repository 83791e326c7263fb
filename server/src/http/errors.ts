import type { Problem } from '@zealous-axle/core';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { KnownProblem, type ProblemCode, problem } from '../problem';

/** What PostgreSQL's own refusals mean to a client. */
const BY_SQL_STATE: Record<string, ProblemCode> = {
  '23505': 'not-now', // the id is taken
  '23503': 'not-found', // what it points to is not there
  '42501': 'not-found', // another fleet's row
  '57014': 'too-slow',
  '57P01': 'unavailable',
  '57P03': 'unavailable',
  ECONNREFUSED: 'unavailable',
};
const BY_STATUS: Record<number, ProblemCode> = { 400: 'invalid', 413: 'too-large', 415: 'invalid', 429: 'too-many' };

type Thrown = FastifyError & { cause?: { code?: string } };

function problemOf(error: Thrown): Problem {
  if (error instanceof KnownProblem) return problem(error.code, error.more);
  if (hasZodFastifySchemaValidationErrors(error))
    return problem('invalid', {
      errors: error.validation.map(({ instancePath, message, params }) => ({
        path: pathOf(instancePath, params),
        message: message ?? '',
      })),
    });
  const known = BY_SQL_STATE[error.cause?.code ?? error.code] ?? BY_STATUS[error.statusCode ?? 500];
  return problem(known ?? 'broken');
}

/** `/readings/0/value` as `readings.0.value`; an unknown key is named in its path. */
function pathOf(instancePath: string, params: unknown): string {
  const path = instancePath.replace(/^\//, '').replaceAll('/', '.');
  const unknown = (params as { keys?: string[] } | undefined)?.keys?.[0];
  return [path, unknown].filter(Boolean).join('.');
}

/** Every error leaves as a problem document; only those we did not foresee are logged as errors. */
export function answerError(error: Thrown, request: FastifyRequest, reply: FastifyReply): void {
  const document = problemOf(error);
  if (document.status >= 500) request.log.error({ err: error }, document.title);
  reply
    .code(document.status)
    .header('content-type', 'application/problem+json; charset=utf-8')
    .serializer((body) => JSON.stringify(body))
    .send(document);
}
