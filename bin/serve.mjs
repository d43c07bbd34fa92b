#!/usr/bin/env node
// npm run serve: one server of a real installation, for a container or a service manager. It migrates the database that
// DATABASE_URL names and answers until SIGTERM; it installs and builds nothing, and starts nothing beside itself.
import { existsSync } from 'node:fs';
import { prepareDatabase } from './set-up/application.mjs';
import { inRoot, ROOT } from './set-up/paths.mjs';
import { run, SetUpFault, say } from './set-up/say.mjs';

/** A shorter secret could be found by trying. */
const SECRET_LENGTH = 32;

await run(async () => {
  const { DATABASE_URL, BELLTAG_SECRET, BELLTAG_ORIGIN } = process.env;
  const missing = Object.entries({ DATABASE_URL, BELLTAG_SECRET, BELLTAG_ORIGIN }).filter(
    ([, value]) => !value,
  );
  if (missing.length > 0)
    throw new SetUpFault(
      `A server is told ${missing.map(([name]) => name).join(', ')} by its environment. What each says stands in docs/operating.md.`,
    );
  if (BELLTAG_SECRET.length < SECRET_LENGTH)
    throw new SetUpFault(
      `BELLTAG_SECRET is too short: at least ${SECRET_LENGTH} characters, such as "openssl rand -base64 32" prints.`,
    );
  if (!existsSync(inRoot('dist/server.mjs')))
    throw new SetUpFault('There is no build here. Make it first: npm run build');
  process.env.BELLTAG_DEMO = '0';
  process.env.NODE_ENV = 'production';
  process.chdir(ROOT);
  const firstCode = prepareDatabase(process.env);
  if (firstCode)
    say(
      `Nobody looks after it yet. Whoever opens ${BELLTAG_ORIGIN}/begin with this code, which is good once, becomes the first administrator: ${firstCode}`,
    );
  // In this very process: a signal reaches the server itself, which ends in good order.
  await import('../dist/server.mjs');
});
