#!/usr/bin/env node
// npm run tills -- saturday: makes a scenario happen to all simulated tills that run on this machine.
const [name] = process.argv.slice(2);
const origin = process.env.BELLTAG_TILL_PAGE ?? `http://127.0.0.1:${process.env.TILL_PORT ?? 4330}`;

if (!name || name.startsWith('-')) {
  console.error('usage: npm run tills -- calm | saturday | storm | upgrade | night');
  process.exit(2);
}
const reply = await fetch(`${origin}/scenario/${encodeURIComponent(name)}`, {
  method: 'POST',
  redirect: 'manual',
}).catch(() => null);
if (!reply) {
  console.error(`No tills answer at ${origin}; "npm start" starts them, BELLTAG_TILL_PAGE names others.`);
  process.exit(1);
}
const words = await reply.text();
if (reply.status !== 303) {
  console.error(words);
  process.exit(1);
}
console.log(`${words}.`);
