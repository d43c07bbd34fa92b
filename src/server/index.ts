export * from '../usecases/index.ts';
export { type App, app } from './app.ts';
export { now } from './clock.ts';
export { endpoint, guarded } from './endpoint.ts';
export { log } from './log.ts';
export { lookThrough, NO_STORES } from './page.ts';
export { failureReply, json, outcomeReply } from './reply.ts';
export { personOf } from './sign-in.ts';
export { terminalEndpoint } from './terminal-endpoint.ts';
