import { isReadable } from '@zealous-axle/core';
import type { FastifyRequest } from 'fastify';
import { invalid } from '../problem';

/** Nothing that is sent has so many things in one another. */
const DEEPEST = 30;

/** The path of the first text that cannot be kept; or of what goes too deep; null when all can. */
export function unreadablePath(value: unknown, path: readonly string[] = []): string | null {
  if (typeof value === 'string') return isReadable(value) ? null : path.join('.');
  if (typeof value !== 'object' || value === null) return null;
  if (path.length > DEEPEST) return path.slice(0, 3).join('.');
  for (const [name, inner] of Object.entries(value)) {
    const found = isReadable(name) ? unreadablePath(inner, [...path, name]) : path.join('.');
    if (found !== null) return found;
  }
  return null;
}

/** Refuses texts with signs that no database keeps, whatever address and field they are sent to. */
export async function refuseUnreadable({ body, query, params }: FastifyRequest): Promise<void> {
  const path = unreadablePath(body) ?? unreadablePath(query) ?? unreadablePath(params);
  if (path !== null) throw invalid(path, 'unreadable');
}
