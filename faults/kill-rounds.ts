import { existsSync, readFileSync } from 'node:fs';
import { trustIn } from '../src/signing/index.ts';
import { accept } from '../tills/accept.ts';
import { type Asker, asker } from './asker.ts';
import type { Processes } from './processes.ts';

const PROMOTION = {
  status: 'draft',
  when: { from: '2027-03-01T09:00', to: '2027-06-01T20:00' },
  offer: { kind: 'priceChange', items: { node: 'teas' }, formula: { percentOff: 500 } },
};

export const KILLED_PARTS = ['application', 'worker', 'database', 'tills'] as const;
export type KilledPart = (typeof KILLED_PARTS)[number];

/**
 * Saves and sends while the application, the worker, the database or the tills are killed (SIGKILL), and looks at what is left: of
 * each round, and at the end whether every till comes to hold what its store was sent.
 */
export async function killAndCount(
  origin: string,
  running: Processes,
  { folder, worker }: { folder: string; worker: string },
  rounds: number,
  parts: readonly KilledPart[] = KILLED_PARTS,
): Promise<string[]> {
  process.stdout.write('kill rounds:\n');
  for (const part of parts) {
    let acknowledged = 0;
    let lost = 0;
    let broken = 0;
    const back: number[] = [];
    for (let round = 0; round < rounds; round++) {
      const rufus = await signedIn(origin);
      const saving = saveUntilItFails(rufus, `${part}-${round}`, ENDS_SAVING.includes(part) ? 4_000 : 40);
      await new Promise((resolve) => setTimeout(resolve, 150 + ((round * 67) % 400)));
      // A rollout is under way when it happens: its files are being made, or taken.
      const sending = sendAll(rufus);
      if (part === 'tills') await sending;
      const at = performance.now();
      process.kill(await running[part](), 'SIGKILL');
      const saved = await saving;
      await sending;
      await untilAnswers(
        part === 'worker'
          ? () => fetch(worker).catch(() => ({ status: 0 }))
          : () => rufus.ask('/api/promotions'),
      );
      back.push(performance.now() - at);
      acknowledged += saved.length;
      const ids = new Set(await savedIds(rufus));
      lost += saved.filter((id) => !ids.has(id)).length;
      broken += brokenFiles(folder);
    }
    back.sort((a, b) => a - b);
    // As it comes: an hour of rounds is not lost by the last of them.
    process.stdout.write(
      `  ${part}: ${rounds} kills, ${acknowledged} saves acknowledged, ${lost} lost, ${broken} half price files; answers again after ${(back[Math.floor(back.length / 2)]! / 1000).toFixed(1)} s (median), ${(back.at(-1)! / 1000).toFixed(1)} s at most\n`,
    );
  }
  return [await untilAllAreCurrent(await signedIn(origin))];
}

/** After which nothing can be saved for a while. */
const ENDS_SAVING: readonly KilledPart[] = ['application', 'database'];

async function savedIds(person: Asker): Promise<string[]> {
  let all = await person.ask('/api/promotions');
  for (let tries = 0; all.status !== 200 && tries < 10; tries++) all = await person.ask('/api/promotions');
  return (JSON.parse(all.text) as { id: string }[]).map(({ id }) => id);
}

/** Whoever is told that it is away just after it was killed asks once more, as people do. */
async function signedIn(origin: string): Promise<Asker> {
  for (let tries = 0; ; tries++) {
    try {
      return await asker(origin, 'rufus');
    } catch (error) {
      if (tries > 100) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}

/** Sends once more, and waits until each till that is on holds that. */
async function untilAllAreCurrent(person: Asker): Promise<string> {
  await sendAll(person);
  const begun = performance.now();
  for (let tries = 0; tries < 1_200; tries++) {
    const { terminals } = JSON.parse((await person.ask('/api/send/terminals?all=1')).text) as {
      terminals: { trouble: string | null; holds: number | null; wanted: number | null }[];
    };
    // Two were never switched on.
    const on = terminals.filter(({ trouble }) => trouble !== 'never-seen');
    const current = on.filter(({ holds, wanted }) => holds === wanted).length;
    if (current === on.length)
      return `  at the end: all ${current} tills hold what their store was sent, ${((performance.now() - begun) / 1000).toFixed(1)} s after it was`;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  return '  at the end: SOME TILLS DO NOT HOLD what their store was sent';
}

/** The ids of the promotions whose saving was acknowledged. */
async function saveUntilItFails(person: Asker, name: string, most: number): Promise<string[]> {
  const saved: string[] = [];
  for (let i = 0; i < most; i++) {
    const promotion = { ...PROMOTION, id: `kill-${name}-${i}`, name: `Round ${name}` };
    const { status } = await person.send('POST', '/api/promotions', { promotion });
    if (status !== 201) break;
    saved.push(promotion.id);
  }
  return saved;
}

/** New files for all stores: what they were sent, once more. One that is cut off is no fault of ours. */
async function sendAll(person: Asker): Promise<void> {
  await person.send('POST', '/api/send/anew', {});
}

async function untilAnswers(ask: () => Promise<{ status: number }>): Promise<void> {
  for (let tries = 0; tries < 600; tries++) {
    if ((await ask()).status === 200) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('it did not answer again within a minute');
}

/** Price files on the disks of tills that are not whole: each is checked as a till does. */
function brokenFiles(folder: string): number {
  const { publicKey, tills } = JSON.parse(readFileSync(`${folder}/tills.json`, 'utf8')) as {
    publicKey: string;
    tills: { id: string; store: string }[];
  };
  return tills.filter(({ id, store }) => {
    const held = `${folder}/${id}/price-file.json`;
    // A till that never took a file has no folder either.
    if (!existsSync(held)) return false;
    try {
      const raw: unknown = JSON.parse(readFileSync(held, 'utf8'));
      return !accept(raw, { store, trust: trustIn(publicKey), holds: null }).ok;
    } catch {
      return true;
    }
  }).length;
}
