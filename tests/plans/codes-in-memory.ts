import { codeSeal } from '../../src/signing/index.ts';
import type { CodeBatch, CodeSeal, CodeStore, KnownCode } from '../../src/usecases/ports/index.ts';

type Known = { -readonly [K in keyof KnownCode]: KnownCode[K] };

/** Batches of codes with nothing behind them: as many wrong ones may be tried as a brake says, and none is forgotten. */
export function codesInMemory(): {
  codes: CodeStore;
  codeSeal: CodeSeal;
  /** What was done, in order. */
  deeds: string[];
  batches: CodeBatch[];
} {
  const seal = codeSeal('a secret of tests, long enough to be one');
  const batches: CodeBatch[] = [];
  const deeds: string[] = [];
  const lists = new Map<number, Uint8Array[]>();
  const known = new Map<string, Known>();
  const tried = new Map<string, number>();
  const hex = (bytes: Uint8Array) => Buffer.from(bytes).toString('hex');
  const put = (id: number, change: Partial<CodeBatch>) => {
    const at = batches.findIndex((batch) => batch.id === id);
    batches[at] = { ...batches[at]!, ...change };
  };
  const codes: CodeStore = {
    batches: async (promotion) =>
      batches
        .filter((batch) => promotion === null || batch.promotion === promotion)
        .map((batch) => ({ ...batch, maker: batch.madeBy, used: 0, worth: 0, withdrawn: 0, taken: [] }))
        .toReversed(),
    batch: async (id) => batches.find((batch) => batch.id === id) ?? null,
    async begin(wanted, madeAt, { person, action }) {
      const id = batches.length + 1;
      batches.push({ ...wanted, id, made: 0, madeBy: person ?? '', madeAt, listed: true, withdrawnAt: null });
      deeds.push(action);
      return id;
    },
    async fill(most, make, sealed) {
      const batch = batches.find((one) => one.made < one.wanted && one.withdrawnAt === null);
      if (!batch) return false;
      const fresh = make(batch, Math.min(most, batch.wanted - batch.made)).filter(
        ({ hash }) => !known.has(hex(hash)),
      );
      for (const { hash } of fresh)
        known.set(hex(hash), {
          withdrawn: false,
          get batch() {
            return batches.find(({ id }) => id === batch.id)!;
          },
        });
      const text = fresh.map(({ code }) => code).join('\n');
      if (fresh.length > 0) lists.set(batch.id, [...(lists.get(batch.id) ?? []), sealed(text)]);
      put(batch.id, { made: batch.made + fresh.length });
      return true;
    },
    async list({ id }, person) {
      deeds.push(`list taken by ${person}`);
      return lists.get(id) ?? [];
    },
    withdrawnOf: async () =>
      [...known].filter(([, { withdrawn }]) => withdrawn).map(([hash]) => Buffer.from(hash, 'hex')),
    async throwListAway({ id }, { action }) {
      deeds.push(action);
      lists.delete(id);
      put(id, { listed: false });
    },
    async moveEnd({ id }, toDay, { action }) {
      deeds.push(action);
      put(id, { toDay });
    },
    async withdraw({ id }, withdrawnAt, { action }) {
      deeds.push(action);
      put(id, { withdrawnAt });
    },
    async withdrawOne(hash, _, { action }) {
      deeds.push(action);
      known.get(hex(hash))!.withdrawn = true;
    },
    known: async (hashes) =>
      new Map(hashes.flatMap((hash) => (known.has(hex(hash)) ? [[hex(hash), known.get(hex(hash))!]] : []))),
    async countTries(who, wrong, { free, each }) {
      const next = (tried.get(who) ?? 0) + wrong;
      if (next > free) return each;
      tried.set(who, next);
      return 0;
    },
    async right(who, count) {
      tried.set(who, (tried.get(who) ?? 0) - count);
    },
    triedMuch: async (more) =>
      [...tried].filter(([, wrong]) => wrong > more).map(([who, wrong]) => ({ who, wrong })),
  };
  return { codes, codeSeal: seal, deeds, batches };
}
