import compress from '@fastify/compress';
import cookie from '@fastify/cookie';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import { fastifySSE } from '@fastify/sse';
import Fastify from 'fastify';
import { validatorCompiler, type ZodTypeProvider } from 'fastify-type-provider-zod';
import { defectRoutes } from './defects';
import { type Live, liveRoutes } from './feeds';
import { forecastRoutes } from './forecast';
import { doCommand } from './handlers';
import {
  type App,
  answerError,
  commandRoutes,
  type DoCommand,
  documentRoutes,
  guardRoutes,
  healthRoutes,
  loggedError,
  loggedRequest,
  type Serving,
  serializerCompiler,
  styleSums,
  webRoutes,
} from './http';
import { inspectionRoutes, judgeRoutes } from './inspection';
import { dispatchRoutes, gaugeRoutes, openGauges, outsideRoutes, toldRoutes } from './outside';
import { ownRoutes, peopleRoutes, sessionRoutes } from './people';
import { boardRoutes, calendarRoutes, ownCalendarRoutes, type Planner, planRoutes } from './plan';
import { practiceRoutes } from './practice';
import { proofRoutes } from './proof';
import { fileRoutes, movingRoutes, printRoutes } from './records';
import { shopRoutes } from './repair';
import { toldBy } from './told';
import { unitRoutes } from './yard';

export interface AppParts extends Serving {
  live: Live;
  planner: Planner;
  /** Plans for whoever is not signed in. */
  strangers: Planner;
  /** Addresses of proxies whose word is taken for where a request comes from. */
  proxies?: string[] | undefined;
  web: string;
  log: 'silent' | 'error' | 'info';
}

/** Says to whoever listens that the stream still stands. */
const PULSE_MS = 25_000;
/** A gauge's line goes out as it is, everything else as JSON. */
const asText = (data: unknown): string => (typeof data === 'string' ? data : JSON.stringify(data));
const REQUEST_MS = 15_000;
const BODY_BYTES = 256 * 1024;

/** What stands in the log: never a secret, a code or the values of a statement. */
const LOGGED = { err: loggedError as never, req: loggedRequest };

/** The server, put together. Reads like its table of contents. */
export async function buildApp(parts: AppParts): Promise<App> {
  const app: App = Fastify({
    logger: { level: parts.log, serializers: LOGGED },
    bodyLimit: BODY_BYTES,
    // An address that cannot be read is a problem document too.
    frameworkErrors: (error, request, reply) => answerError(error as never, request, reply as never),
    requestTimeout: REQUEST_MS,
    trustProxy: parts.proxies ?? false,
    forceCloseConnections: 'idle',
  }).withTypeProvider<ZodTypeProvider>();
  app.setValidatorCompiler(validatorCompiler);
  app.setSerializerCompiler(serializerCompiler);
  app.setErrorHandler(answerError);
  guardRoutes(app);

  await app.register(helmet, {
    contentSecurityPolicy: {
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", ...styleSums(parts.web)],
        imgSrc: ["'self'", 'data:', 'blob:'],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        frameAncestors: ["'none'"],
        upgradeInsecureRequests: parts.secure ? [] : null,
      },
    },
    strictTransportSecurity: parts.secure,
  });
  await app.register(cookie);
  await app.register(rateLimit, { global: false });
  await app.register(fastifySSE, { heartbeatInterval: PULSE_MS, serializer: asText });
  await app.register(compress, { encodings: ['br', 'gzip'], threshold: 1024 });
  await documentRoutes(app);

  await app.register(
    async (api) => {
      const v1 = api.withTypeProvider<ZodTypeProvider>();
      sessionRoutes(v1, parts);
      ownRoutes(v1, parts);
      peopleRoutes(v1, parts);
      unitRoutes(v1, parts);
      inspectionRoutes(v1, parts);
      fileRoutes(v1, parts);
      movingRoutes(v1, parts);

      printRoutes(v1, parts);
      const gauges = openGauges();
      gaugeRoutes(v1, parts, gauges);
      defectRoutes(v1, parts);
      shopRoutes(v1, parts);
      commandRoutes(v1, parts, doCommand as DoCommand);
      judgeRoutes(v1);
      planRoutes(v1, parts);
      boardRoutes(v1, parts);
      ownCalendarRoutes(v1, parts);
      outsideRoutes(v1, parts);
      dispatchRoutes(v1, parts);
      await toldRoutes(v1, parts, toldBy(gauges));
      forecastRoutes(v1, parts);
      practiceRoutes(v1, parts);
      proofRoutes(v1, parts);
      liveRoutes(v1, parts, parts.live);
    },
    { prefix: '/api/v1' },
  );
  healthRoutes(app, parts);
  calendarRoutes(app, parts);
  await webRoutes(app, parts.web);
  return app;
}
