#!/usr/bin/env node
import { startEverything } from './set-up/running.mjs';
// npm start: installs what is missing, then runs everything until Ctrl-C.
import { run, say } from './set-up/say.mjs';

await run(async () => {
  const begun = Date.now();
  const port = Number(process.env.PORT ?? 4321);
  const running = await startEverything({ name: 'main', port, databasePort: 54321, tillPort: port + 9 });
  const { BELLTAG_DEMO, BELLTAG_ORIGIN, BELLTAG_TILL_PAGE } = running.environment;
  say(`
Bell Tag is ready after ${((Date.now() - begun) / 1000).toFixed(1)} s.

  application   ${BELLTAG_ORIGIN}`);
  if (BELLTAG_DEMO === '1')
    say(`  tills         ${BELLTAG_TILL_PAGE}

  Demo people (one press each on the sign-in page; password quillmere-demo):
    ines@quillmere.example    planner        plans prices
    rufus@quillmere.example   approver       approves and sends
    odile@quillmere.example   viewer         looks only
    tove@quillmere.example    store          runs Aldermouth Market
    basil@quillmere.example   administrator  runs Bell Tag`);
  say('\nCtrl-C stops all of it.');
  await new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, resolve);
  });
  say('\nStopping …');
  await running.stop();
});
