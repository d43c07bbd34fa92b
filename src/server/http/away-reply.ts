import type { Unanswered } from './not-answered.ts';
import { AWAY, failureReply, RETRY_AFTER } from './reply.ts';

/** What is said while the database is away: by name, and when to ask again. A page asks again by itself. */
export function awayReply(isApi: boolean, what: keyof typeof AWAY): Response {
  if (isApi) return failureReply({ kind: 'away', what });
  return new Response(pageOf(what), {
    status: 503,
    headers: { 'content-type': 'text/html; charset=utf-8', 'retry-after': RETRY_AFTER },
  });
}

const WORDS = {
  ...AWAY,
  busy: 'Too much is being worked out just now for this page to be made.',
} as const;
const HEADS = {
  busy: 'One moment, please',
  database: 'The database does not answer just now',
  chain: 'There is no chain here yet',
} as const;

const pageOf = (what: keyof typeof HEADS): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="refresh" content="3"><title>${HEADS[what]} · Bell Tag</title>
<link rel="icon" href="/bell.svg" type="image/svg+xml"><link rel="stylesheet" href="/away.css"></head>
<body><main><h1>${HEADS[what]}</h1><p>${WORDS[what]}</p>
<p>This page asks again by itself every few seconds. Tills ring on: they have their prices on their own disks.</p></main></body></html>`;

/** What is said where a page could not be worked out, as too much is being worked out. */
export function tooMuchReply(isApi: boolean, why: Unanswered): Response {
  const told = failureReply({ kind: 'too-much', why: why === 'nobody-waits' ? 'full' : why });
  if (isApi) return told;
  return new Response(pageOf('busy'), {
    status: told.status,
    headers: { 'content-type': 'text/html; charset=utf-8', 'retry-after': RETRY_AFTER },
  });
}
