import type { PlanDocument, StoreDocument } from '../../core/plan/index.ts';
import * as t from '../schema/index.ts';
import { codec } from './codec.ts';
import { present } from './present.ts';
import { itemRuleTargets, storeRuleTargets } from './rule-targets.ts';

type Of<K extends keyof PlanDocument> =
  NonNullable<PlanDocument[K]> extends readonly (infer E extends object)[] ? E : never;

export const zones = codec<Of<'zones'>, typeof t.zone>({
  table: t.zone,
  key: ['id'],
  toRow: (zone) => zone,
  toEntry: (row) => row,
});

export const stores = codec<StoreDocument, typeof t.store>({
  table: t.store,
  key: ['id'],
  toRow: (store) => ({ tags: [], ...store }),
  toEntry: (row) => present(row) as StoreDocument,
});

export const storeGroups = codec<Of<'storeGroups'>, typeof t.storeGroup>({
  table: t.storeGroup,
  key: ['id'],
  toRow: (group) => group,
  toEntry: (row) => row,
  names: { owner: 'ofStoreGroup', targets: ({ rule }) => storeRuleTargets(rule) },
});

/** What is done about one terminal, its key among it, is the database's own: no plan says it. */
export const terminals = codec<Of<'terminals'>, typeof t.terminal>({
  table: t.terminal,
  key: ['id'],
  own: ['keyHash', 'keyChangedAt', 'wholeAskedAt'],
  toRow: (terminal) => ({ tags: [], ...terminal }),
  toEntry: ({ id, store: of, tags }) => ({ id, store: of, tags }),
});

export const ranges = codec<Of<'ranges'>, typeof t.range>({
  table: t.range,
  key: ['id'],
  toRow: (range) => range,
  toEntry: (row) => row,
  names: {
    owner: 'ofRange',
    targets: ({ items, stores: places }) => [...itemRuleTargets(items), ...storeRuleTargets(places)],
  },
});
