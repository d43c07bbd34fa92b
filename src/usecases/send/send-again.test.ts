import { gunzipSync } from 'node:zlib';
import { beforeEach, describe, expect, it } from 'vitest';
import { inMemory, quietSending } from '../../../tests/plans/ports.ts';
import { signed } from '../../../tests/plans/signed.ts';
import { change, withPromotions } from '../../../tests/plans/small-plan.ts';
import type { ChangeEnvelope, Person, PriceFileEnvelope } from '../../contracts/index.ts';
import { DAY, type Instant } from '../../core/calendar/index.ts';
import { manifestOf, storePlan } from '../../core/price-file/index.ts';
import { canonicalText, sha256Of, signedBy } from '../../signing/index.ts';
import { priceFileMaker, renewPriceFiles, replaceKey, sendAnew } from '../index.ts';
import type { PackedPriceFile, SendingStore } from '../ports/index.ts';
import { makePriceFile, packed } from './make-price-file.ts';

const NOW = Date.parse('2027-04-14T10:00:00Z') as Instant;
const OLD = (NOW - 8 * DAY) as Instant;
const PERSON: Person = {
  id: 'p',
  name: 'P',
  email: 'p@quillmere.example',
  role: 'administrator',
  costs: true,
  stores: null,
};
const chain = signed();
const signer = {
  ...{ publicKey: chain.publicKey, key: chain.key },
  sign: (text: string) => ({ sha256: sha256Of(text), signature: signedBy(chain.privateKey, text) }),
};

const unpacked = <T>(bytes: Uint8Array): T => JSON.parse(gunzipSync(bytes).toString('utf8')) as T;

/** Two stores that were sent a file each, on two days; what is sent from now on is kept. */
function standing() {
  const memory = inMemory(withPromotions(change('a'), change('b')));
  const files = new Map<string, PackedPriceFile & { readonly number: number; readonly createdAt: string }>();
  const made: { by: string; files: readonly PackedPriceFile[] }[] = [];
  const put = async (store: string, number: number, at: Instant) => {
    const { document, compiled } = await memory.book.current();
    const plan = storePlan(document, compiled, store, at);
    const file = makePriceFile({ store, plan, manifest: manifestOf(plan), before: null }, number, signer, at);
    files.set(store, { ...packed(file, number), number, createdAt: new Date(at).toISOString() });
  };
  const sending: SendingStore = {
    ...quietSending(),
    newestNumbers: async () => new Map([...files].map(([store, { number }]) => [store, number])),
    newestDates: async () => new Map([...files].map(([store, { createdAt }]) => [store, createdAt])),
    sentFile: async (store) => files.get(store)!,
    envelope: async (store) => files.get(store)!.envelope,
    async send({ person: by }, make) {
      const all: PackedPriceFile[] = [];
      for await (const few of make(9)) all.push(...few);
      made.push({ by, files: all });
      return { rollout: 9, stores: all.length };
    },
  };
  const rotated: boolean[] = [];
  const keys = {
    newest: async () => signer,
    certificates: async () => [],
    all: async () => [],
    rotate: async (withdraw: boolean) => void rotated.push(withdraw),
  };
  const ports = { book: memory.book, sending, signer: keys };
  return { put, made, rotated, ports: { ...ports, maker: priceFileMaker(ports) } };
}

let desk: ReturnType<typeof standing>;
beforeEach(async () => {
  desk = standing();
  await desk.put('east', 3, OLD);
  await desk.put('west', 4, NOW);
});

describe('what was sent', () => {
  it('is sent anew as it was, but for its number and its dates', async () => {
    expect(await sendAnew(desk.ports, PERSON, { stores: ['east'] }, NOW)).toMatchObject({
      ok: true,
      value: { rollout: 9, stores: 1 },
    });
    const [{ files }] = desk.made as [(typeof desk.made)[0]];
    const [file] = files as [PackedPriceFile];
    const { content: text } = unpacked<PriceFileEnvelope>(file.envelope);
    const content = JSON.parse(text);
    expect(content).toMatchObject({
      ...{ store: 'east', number: 9, key: chain.key },
      ...{ madeAt: '2027-04-14T10:00:00.000Z', goodUntil: '2027-04-28T10:00:00.000Z' },
      plan: { promotions: [{ id: 'a' }, { id: 'b' }] },
    });
    // Its text is the one that there is of it.
    expect(text).toBe(canonicalText(content));
    expect(file.change).toBeNull();
  });

  it('is renewed where it is half over, as a difference of dates alone', async () => {
    expect(await renewPriceFiles(desk.ports, NOW)).toBe(1);
    const [{ by, files }] = desk.made as [(typeof desk.made)[0]];
    expect([by, files.map(({ store }) => store)]).toEqual(['renewal', ['east']]);
    expect(files[0]!.change).toMatchObject({ from: 3 });
    expect(unpacked<ChangeEnvelope>(files[0]!.change!.packed)).toMatchObject({
      ...{ from: 3, number: 9 },
      change: { rest: null, items: { put: [], drop: [] }, promotions: { put: [], drop: [] } },
    });
    expect(await renewPriceFiles(desk.ports, (NOW - 2 * DAY) as Instant)).toBe(0);
  });

  it.each([false, true])('is signed with a new key for all stores (lost: %s)', async (lost) => {
    expect(await replaceKey(desk.ports, PERSON, { lost }, NOW)).toMatchObject({
      ok: true,
      value: { stores: 2 },
    });
    expect(desk.rotated).toEqual([lost]);
  });

  it('is nobody’s to send who may not, nor to a store that was sent nothing', async () => {
    const approver = { ...PERSON, role: 'approver' as const };
    const planner = { ...PERSON, role: 'planner' as const };
    expect(await sendAnew(desk.ports, planner, { stores: null }, NOW)).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect(await replaceKey(desk.ports, approver, { lost: true }, NOW)).toMatchObject({
      failure: { kind: 'forbidden' },
    });
    expect(await sendAnew(desk.ports, approver, { stores: ['east', 'nowhere'] }, NOW)).toMatchObject({
      failure: { kind: 'not-found' },
    });
    expect([desk.made, desk.rotated]).toEqual([[], []]);
  });
});
