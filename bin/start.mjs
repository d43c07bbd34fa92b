#!/usr/bin/env node
import { startEverything } from './set-up/running.mjs';
// npm start: installs what is missing, then runs everything until Ctrl-C. `npm start -- --empty` begins a chain of one's
// own beside the demo, and goes on with it from then on.
import { run, SetUpFault, say } from './set-up/say.mjs';

const DEMO_PEOPLE = `
  Demo people (one press each on the sign-in page; password quillmere-demo):
    ines@quillmere.example    planner        plans prices
    rufus@quillmere.example   approver       approves and sends
    odile@quillmere.example   viewer         looks only
    tove@quillmere.example    store          runs Aldermouth Market
    basil@quillmere.example   administrator  runs Bell Tag`;

await run(async () => {
  const asked = process.argv.slice(2);
  const unknown = asked.find((one) => one !== '--empty');
  if (unknown)
    throw new SetUpFault(`"${unknown}" is not known here. What is: npm start, npm start -- --empty`);
  const empty = asked.includes('--empty');
  const begun = Date.now();
  const port = Number(process.env.PORT ?? 4321);
  const running = await startEverything({
    ...{ name: empty ? 'own' : 'main', demo: !empty },
    ...{ port, databasePort: empty ? 54331 : 54321, tillPort: port + 9 },
  });
  const { BELLTAG_DEMO, BELLTAG_ORIGIN, BELLTAG_TILL_PAGE } = running.environment;
  say(`
Bell Tag is ready after ${((Date.now() - begun) / 1000).toFixed(1)} s.

  application   ${BELLTAG_ORIGIN}`);
  const demo = BELLTAG_DEMO === '1';
  if (demo) say(`  tills         ${BELLTAG_TILL_PAGE}`);
  say(`  log           ${running.log}`);
  if (demo) say(DEMO_PEOPLE);
  if (running.firstCode)
    say(`
  Nobody looks after it yet. Whoever opens ${BELLTAG_ORIGIN}/begin with this code,
  which is good once, becomes the first administrator:

    ${running.firstCode}`);
  say('\nCtrl-C stops all of it.');
  await new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, resolve);
  });
  say('\nStopping …');
  await running.stop();
});
