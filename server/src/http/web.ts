import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fastifyStatic from '@fastify/static';
import { KnownProblem } from '../problem';
import type { App } from './serving';

const YEAR_S = 31_536_000;

/** The sums of the styles that are drawn into the page: these may stand inline, and no others. */
export function styleSums(folder: string): string[] {
  const page = join(folder, 'index.html');
  if (!existsSync(page)) return [];
  const styles = [...readFileSync(page, 'utf8').matchAll(/<style[^>]*>([\s\S]*?)<\/style>/g)];
  return styles.map(([, text = '']) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`);
}

/** The built app from the same origin. Hashed files are kept for a year, the shell is asked for each time. */
export async function webRoutes(app: App, folder: string): Promise<void> {
  const built = existsSync(join(folder, 'index.html'));
  app.setNotFoundHandler((request, reply) => {
    const [path = ''] = request.url.split('?');
    if (!built || request.method !== 'GET' || path.startsWith('/api/') || /\.\w+$/.test(path))
      throw new KnownProblem('not-found');
    return reply.header('cache-control', 'no-cache').sendFile('index.html');
  });
  if (!built) return app.log.warn({ folder }, 'The app is not built: only the API is served');
  await app.register(fastifyStatic, {
    root: folder,
    preCompressed: true,
    setHeaders: (reply, path) => {
      const hashed = path.includes('/_expo/') || path.includes('/fonts/');
      // Opened from where it is saved: here no page may run a script of its own.
      if (path.endsWith('check-history.html'))
        reply.setHeader('content-disposition', 'attachment; filename="check-history.html"');
      reply.setHeader('cache-control', hashed ? `public, max-age=${YEAR_S}, immutable` : 'no-cache');
    },
  });
}
