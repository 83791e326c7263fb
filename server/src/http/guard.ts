import type { FastifyReply, FastifyRequest } from 'fastify';
import { KnownProblem } from '../problem';
import { refuseUnreadable } from './readable';
import type { App } from './serving';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
/** What a page of ours may ask of the device: its camera for photos, its ports for gauges. */
const PERMISSIONS = 'camera=(self), serial=(self), bluetooth=(self), geolocation=(), microphone=(), payment=(), usb=()';

/** Refuses what another site's page would have a browser send: it says where it comes from. */
async function refuseOtherSites({ method, headers }: FastifyRequest): Promise<void> {
  const { origin, host } = headers;
  const site = headers['sec-fetch-site'];
  if (READS.has(method) || !origin || site === 'same-origin') return;
  if (site !== undefined || !URL.canParse(origin) || new URL(origin).host !== host)
    throw new KnownProblem('not-allowed', { detail: 'Another site’s page may not send this.' });
}

/** What a fleet is answered is kept by no cache; what its page may ask of the device is said. */
async function guardAnswer(request: FastifyRequest, reply: FastifyReply): Promise<void> {
  reply.header('permissions-policy', PERMISSIONS);
  if (request.url.startsWith('/api/') && !reply.getHeader('cache-control')) reply.header('cache-control', 'no-store');
}

/** What every request goes through, and every answer. */
export function guardRoutes(app: App): void {
  app.addHook('onRequest', refuseOtherSites);
  app.addHook('preValidation', refuseUnreadable);
  app.addHook('onSend', guardAnswer);
}
