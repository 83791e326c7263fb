import type { Problem } from '@zealous-axle/core';
import type { FastifyError, FastifyReply, FastifyRequest } from 'fastify';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';
import { KnownProblem, type ProblemCode, problem, sentence } from '../problem';
import { CommitUnsure, isLost } from '../store';

/** What PostgreSQL's own refusals mean to a client. */
const BY_CODE: Record<string, ProblemCode> = {
  '23505': 'not-now', // the id is taken
  '23503': 'not-found', // what it points to is not there
  '42501': 'not-found', // another fleet's row
  '57014': 'too-slow',
  '55P03': 'busy',
  '53100': 'full',
};
const BY_STATUS: Record<number, ProblemCode> = {
  400: 'invalid',
  413: 'too-large',
  415: 'invalid',
  429: 'too-many',
  503: 'busy',
};
const NOT_JSON = new Set(['FST_ERR_CTP_INVALID_JSON_BODY', 'FST_ERR_CTP_EMPTY_JSON_BODY']);
const RETRY_SECONDS = 5;

type Thrown = FastifyError & { cause?: { code?: string; message?: string } };

function problemOf(error: Thrown): Problem {
  if (error instanceof KnownProblem) return problem(error.code, error.more);
  if (hasZodFastifySchemaValidationErrors(error))
    return problem('invalid', {
      errors: error.validation.map(({ instancePath, message, params }) => ({
        path: pathOf(instancePath, params),
        message: message ?? '',
      })),
    });
  if (NOT_JSON.has(error.code)) return problem('invalid', { errors: [{ path: '', message: sentence('not-json') }] });
  if (error instanceof CommitUnsure) return problem('unsure');
  if (isLost(error)) return problem('unavailable');
  const { code } = error.cause ?? error;
  return problem(BY_CODE[code ?? ''] ?? BY_STATUS[error.statusCode ?? 500] ?? 'broken');
}

/** `/readings/0/value` as `readings.0.value`; an unknown key is named in its path. */
function pathOf(instancePath: string, params: unknown): string {
  const path = instancePath.replace(/^\//, '').replaceAll('/', '.');
  const unknown = (params as { keys?: string[] } | undefined)?.keys?.[0];
  return [path, unknown].filter(Boolean).join('.');
}

/** An address as it is logged: without what is asked in it, and without what opens something by itself. */
export const loggedUrl = (url: string): string =>
  (url.split('?')[0] ?? '').replace(/(\/calendar\/|\/exams\/).+$/, '$1…').slice(0, 200);

/** A request as it is logged: never with a code, a secret or whose address it comes from beside what. */
export const loggedRequest = ({ method, url }: { method: string; url: string }) => ({ method, url: loggedUrl(url) });

/** An error as it is logged: never with the values of a statement. */
export function loggedError(error: Thrown): Record<string, unknown> {
  const { code, message } = error.cause ?? error;
  const stack = (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: error.name,
    code,
    message: error.cause || !/params:/.test(message ?? '') ? message : 'a statement failed',
    stack,
  };
}

/** Every error leaves as a problem document; only those we did not foresee are logged as errors. */
export function answerError(error: Thrown, request: FastifyRequest, reply: FastifyReply): void {
  const document = problemOf(error);
  if (document.status === 500) request.log.error({ err: error }, document.title);
  if (document.status === 503) {
    request.log.warn({ code: (error.cause ?? error).code }, document.title);
    reply.header('retry-after', RETRY_SECONDS);
  }
  reply
    .code(document.status)
    .header('content-type', 'application/problem+json; charset=utf-8')
    .serializer((body) => JSON.stringify(body))
    .send(document);
}
