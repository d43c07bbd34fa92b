import {
  CODE_FILE,
  type CodeFileDocument,
  done,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { hashOfCode } from '../../signing/index.ts';
import type { CodeSeal, CodeStore } from '../ports/index.ts';
import { type BatchPorts, theirBatch } from './their-batch.ts';

/** Days for which the codes of a batch can be taken as a list; after that only the hashes of them are left. */
export const LIST_DAYS = 14;

/** The codes of a batch in the order in which they were made; who takes them is told by the trail. */
export async function takeCodeList(
  ports: BatchPorts & { codeSeal: CodeSeal },
  person: Person,
  id: number,
): Promise<Outcome<{ promotion: string; codes: readonly string[] }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const batch = await theirBatch(ports, person, id);
  if (!batch.ok) return batch;
  if (!batch.value.listed)
    return failed({
      kind: 'not-found',
      what: `list of batch ${id}: it was thrown away, and only its hashes are kept`,
    });
  const parts = await ports.codes.list(batch.value, person.id);
  return done({
    promotion: batch.value.promotion,
    codes: parts.flatMap((part) => ports.codeSeal.open(part).split('\n')),
  });
}

/**
 * The same as a file beside the plan (docs/plan-format.md): by hashes that are made with a key of its own, it says to who
 * has a code whether it is good, and tells none.
 */
export async function takeCodeFile(
  ports: BatchPorts & { codeSeal: CodeSeal },
  person: Person,
  id: number,
  key: Uint8Array,
): Promise<Outcome<CodeFileDocument>> {
  const list = await takeCodeList(ports, person, id);
  if (!list.ok) return list;
  const { fromDay, toDay, test, withdrawnAt, promotion } = (await ports.codes.batch(id))!;
  const { hashOf } = ports.codeSeal;
  const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
  const gone = new Set((await ports.codes.withdrawnOf(id)).map(hex));
  const hashes = list.value.codes.map((code) => ({
    hash: hex(hashOfCode(key, code)),
    gone: withdrawnAt !== null || gone.has(hex(hashOf(code))),
  }));
  const withdrawn = hashes.filter((one) => one.gone).map(({ hash }) => hash);
  const batch = {
    promotion,
    ...(fromDay === null ? {} : { from: fromDay }),
    ...(toDay === null ? {} : { to: toDay }),
    ...(test ? { test: true as const } : {}),
    codes: hashes.map(({ hash }) => hash),
    ...(withdrawn.length === 0 ? {} : { withdrawn }),
  };
  return done({ ...CODE_FILE, key: Buffer.from(key).toString('base64url'), batches: [batch] });
}

const DAY = 24 * 60 * 60_000;

/** Throws away lists that were there long enough to be taken. */
export async function throwOldListsAway({ codes }: { codes: CodeStore }, now: number): Promise<void> {
  for (const batch of await codes.batches(null)) {
    const old = batch.madeAt.getTime() + LIST_DAYS * DAY < now;
    if (batch.listed && old && batch.made === batch.wanted)
      await codes.throwListAway(batch, { person: null, action: 'list of codes thrown away, as it was old' });
  }
}
