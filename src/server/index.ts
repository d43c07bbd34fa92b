export { planVersion } from '../db/index.ts';
export { newApiKey, newTerminalKey, newWebhookSecret } from '../signing/index.ts';
export * from '../usecases/index.ts';
export { type App, app } from './app.ts';
export { changePassword } from './change-password.ts';
export { isAway } from './database-answers.ts';
export { endpoint, guarded, heavyEndpoint } from './endpoint.ts';
export { enter, waitReply } from './enter.ts';
export { FILE_LIMITS } from './files/file-limits.ts';
export { awayReply, tooMuchReply } from './http/away-reply.ts';
export { NotAnswered } from './http/not-answered.ts';
export { asksForOnce, once } from './http/once.ts';
export { ownPath } from './http/own-path.ts';
export { pagedReply } from './http/paged.ts';
export { type ProblemKind, problem } from './http/problem.ts';
export { KB, MB, PROMOTION_BYTES, readBytes, readJson } from './http/read-body.ts';
export { answerReply, failureReply, json, outcomeReply } from './http/reply.ts';
export { comesFromElsewhere, isSoundPath } from './http/request-checks.ts';
export { withSafeHeaders } from './http/safe-headers.ts';
export { withCookiesOf } from './http/sign-in-reply.ts';
export { revisionTag } from './http/version-tag.ts';
export { now } from './machine/clock.ts';
export { asking, log } from './machine/log.ts';
export { measureApp } from './measure-app.ts';
export { newsStream } from './news-stream.ts';
export { lookThrough, NO_STORES } from './page.ts';
export { pictureReply } from './picture-reply.ts';
export {
  BASE,
  GROUPS,
  OPERATIONS,
  publishedInterface,
  publishedMethods,
  publishedSchema,
} from './published/index.ts';
export {
  beginSecondStep,
  confirmSecondStep,
  endSecondStep,
  passSecondStep,
  secondStepOf,
} from './second-step.ts';
export { isDemoChain, personOf } from './sign-in.ts';
export { NoChain } from './standing/live-plan-book.ts';
export { terminalEndpoint } from './terminal-endpoint.ts';
export { whoAsks } from './who-asks.ts';
