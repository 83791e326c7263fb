/** Whose sentences, having no code, tell that a connection broke or did not answer in time. */
const WORDS =
  /connection terminated|timeout exceeded|query read timeout|connection error|timeout expired|not queryable|connection is closed|not currently accepting connections/i;
const CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  '57P01',
  '57P02',
  '57P03',
  '08006',
  '08003',
  '25P03',
  '53300',
]);

interface Failed {
  code?: string;
  message?: string;
  cause?: Failed;
}

/** Whether an error tells that the database is not there, or does not answer. */
export function isLost(error: unknown): boolean {
  const { code, message, cause } = (error ?? {}) as Failed;
  return CODES.has(code ?? '') || WORDS.test(message ?? '') || (cause !== undefined && isLost(cause));
}

/** The connection was lost while a transaction was committed: whether it was stored is not known. */
export class CommitUnsure extends Error {}
