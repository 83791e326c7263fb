import type { Problem } from '@zealous-axle/core';
import { noteContact } from '../device/contact';

/** The server said no, and why. */
export class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.errors.length ? problem.errors.map(({ message }) => message).join(' ') : problem.detail);
  }
}

/** The server could not be reached, or is not ready. */
export class Unreachable extends Error {
  constructor() {
    super('The server cannot be reached.');
  }
}

/** The server answered that it broke on this very request. */
export class Broken extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

const API = '/api/v1';
const PATIENCE_MS = 20_000;

/** One call to the server: its answer, or {@link Refused}, {@link Broken} or {@link Unreachable}. */
export async function call<T>(method: 'GET' | 'POST' | 'DELETE', path: string, body?: unknown): Promise<T> {
  const response = await fetch(`${API}${path}`, {
    method,
    credentials: 'same-origin',
    signal: AbortSignal.timeout(PATIENCE_MS),
    ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  }).catch(() => {
    throw new Unreachable();
  });
  noteContact(response.headers.get('date'));
  if (response.status === 204) return undefined as T;
  const json: unknown = await response.json().catch(() => null);
  if (response.ok && json !== null) return json as T;
  const problem = json as Problem | null;
  if (problem && typeof problem.status === 'number' && problem.status < 500 && problem.status !== 429)
    throw new Refused(problem);
  if (problem?.status === 500) throw new Broken(problem);
  throw new Unreachable();
}
