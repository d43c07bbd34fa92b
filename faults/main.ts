import { ringHardBaskets } from './hard-baskets.ts';
import { killAndCount } from './kill-rounds.ts';
import { sendLargeBodies } from './large-bodies.ts';
import { pollByMany, pollHere } from './many-terminals.ts';
import { tryOddInputs } from './odd-inputs.ts';
import { processes } from './processes.ts';
import { rollHere, rollOut } from './rollout.ts';

const { BELLTAG_ORIGIN, DATABASE_URL, BELLTAG_TILLS, FAULTS_DATA, FAULTS_ROUNDS } = process.env;
const origin = BELLTAG_ORIGIN!;
const PARTS = {
  inputs: () => tryOddInputs(origin),
  bodies: () => sendLargeBodies(origin, processes(FAULTS_DATA!, 'faults')),
  baskets: () => ringHardBaskets(origin),
  terminals: () => pollByMany(origin, DATABASE_URL!),
  rollout: () => rollOut(origin, DATABASE_URL!, processes(FAULTS_DATA!, 'faults')),
  kills: () =>
    killAndCount(
      origin,
      processes(FAULTS_DATA!, 'faults'),
      { folder: BELLTAG_TILLS! },
      Number(FAULTS_ROUNDS ?? 12),
    ),
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
  if (asked.length > 0 && !asked.includes(name)) continue;
  process.stdout.write(`${(await part()).join('\n')}\n\n`);
}
