import { fuzz } from './fuzz.ts';
import { ringHardBaskets } from './hard-baskets.ts';
import { KILLED_PARTS, killAndCount } from './kill-rounds.ts';
import { sendLargeBodies } from './large-bodies.ts';
import { pollByMany, pollHere } from './many-terminals.ts';
import { tryOddInputs } from './odd-inputs.ts';
import { loseDatabase } from './outage.ts';
import { processes } from './processes.ts';
import { rollHere, rollOut } from './rollout.ts';

const { BELLTAG_ORIGIN, BELLTAG_WORKER, DATABASE_URL, BELLTAG_TILLS, BELLTAG_TILL_PAGE } = process.env;
const { FAULTS_DATA, FAULTS_ROUNDS, FAULTS_KILLS, FAULTS_CHROMIUM } = process.env;
const origin = BELLTAG_ORIGIN!;
const PARTS = {
  inputs: () => tryOddInputs(origin),
  fuzz: () => fuzz(origin, DATABASE_URL!),
  bodies: () => sendLargeBodies(origin, processes(FAULTS_DATA!, 'faults')),
  baskets: () => ringHardBaskets(origin),
  terminals: () => pollByMany(origin, DATABASE_URL!),
  rollout: () => rollOut(origin, DATABASE_URL!, processes(FAULTS_DATA!, 'faults')),
  kills: () =>
    killAndCount(
      origin,
      processes(FAULTS_DATA!, 'faults'),
      { folder: BELLTAG_TILLS!, worker: BELLTAG_WORKER! },
      Number(FAULTS_ROUNDS ?? 12),
      KILLED_PARTS.filter((part) => !FAULTS_KILLS || FAULTS_KILLS.split(' ').includes(part)),
    ),
  outage: () => loseDatabase(origin, BELLTAG_TILL_PAGE!, FAULTS_CHROMIUM!),
};
const asked = process.argv.slice(2);
if (asked[0] === 'poll-apart') {
  await pollHere();
  process.exit();
}
if (asked[0] === 'roll-apart') {
  await rollHere();
  process.exit();
}
for (const [name, part] of Object.entries(PARTS)) {
  if (!asked.includes(name)) continue;
  process.stdout.write(`${(await part()).join('\n')}\n\n`);
}
// What began this one listens as long as it runs.
process.disconnect();
