import swagger from '@fastify/swagger';
import swaggerUi from '@fastify/swagger-ui';
import { jsonSchemaTransform } from 'fastify-type-provider-zod';
import type { App } from './serving';

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
  await app.register(swaggerUi, { routePrefix: '/api/docs', staticCSP: true });
}
