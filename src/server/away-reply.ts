import { AWAY, failureReply, RETRY_AFTER } from './reply.ts';

/** What is said while the database is away: by name, and when to ask again. A page asks again by itself. */
export function awayReply(isApi: boolean): Response {
  if (isApi) return failureReply({ kind: 'away', what: 'database' });
  return new Response(PAGE, {
    status: 503,
    headers: { 'content-type': 'text/html; charset=utf-8', 'retry-after': RETRY_AFTER },
  });
}

const PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="refresh" content="3"><title>The database is away · Bell Tag</title>
<link rel="icon" href="/bell.svg" type="image/svg+xml"><link rel="stylesheet" href="/away.css"></head>
<body><main><h1>The database does not answer just now</h1><p>${AWAY.database}</p>
<p>This page asks again by itself every few seconds. Tills ring on: they have their prices on their own disks.</p></main></body></html>`;
