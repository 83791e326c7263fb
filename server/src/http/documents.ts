import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import { jsonSchemaTransform } from 'fastify-type-provider-zod';
import type { App } from './serving';

const MARK =
  '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="40"><text y="28" font-size="24" font-family="sans-serif" fill="#f3f1ea">Zealous Axle</text></svg>';

/** `/api/docs`: the API described from the same schemas that check it. */
export async function documentRoutes(app: App): Promise<void> {
  await app.register(swagger, {
    openapi: {
      openapi: '3.1.0',
      info: {
        title: 'Zealous Axle',
        version: '1',
        description: 'Local law, the maker’s manual and licensed practice decide.',
      },
    },
    transform: jsonSchemaTransform,
  });
  await app.register(swaggerUi, {
    routePrefix: '/api/docs',
    staticCSP: true,
    logo: { type: 'image/svg+xml', content: Buffer.from(MARK), href: '/', target: '_self' },
    theme: { title: 'Zealous Axle – API' },
  });
}
