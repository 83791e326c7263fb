/** What every address has in common. */
export { budget, budgetOf, spendingOf } from './budget';
export { commandRoutes, type DoCommand } from './commands';
export { documentRoutes } from './documents';
export { answerError, loggedError, loggedRequest } from './errors';
export { noteExport, noteTaken } from './exported';
export { fileNamed } from './file-name';
export { guardRoutes } from './guard';
export { healthRoutes } from './health';
export { sendJpeg } from './jpeg';
export { type Key, pageOf, readKey } from './pages';
export { unreadablePath } from './readable';
export { READERS } from './readers';
export { serializerCompiler } from './serializer';
export { type App, ask, COOKIE, type Serving, sessionCookie, signedIn } from './serving';
export { openStreams } from './streams';
export { styleSums, webRoutes } from './web';
