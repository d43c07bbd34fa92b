import type { Instant } from '../calendar/index.ts';
import type { MinorUnits } from '../money/index.ts';

export const FINDING_CODES = [
  'below-cost',
  'below-floor',
  'gift-not-carried',
  'never-reached',
  'never-wins',
  'nothing-carried',
  'nothing-selected',
  'open-end',
  'overlap',
  'raises-price',
  'reduced-before',
  'same-units',
  'worse-than-shelf',
] as const;
/** What may be wrong with promotions of a plan, or between them (plan format, findings). */
export type FindingCode = (typeof FINDING_CODES)[number];

/** Something that somebody should look at before Saturday. */
export interface Finding {
  readonly code: FindingCode;
  /** Ids; of a pair the lower one first, but of two reductions the earlier one. */
  readonly promotions: readonly string[];
  /** Skus, rising; empty where it is not about goods. */
  readonly items: readonly string[];
  /** Ids, in the order of the plan. */
  readonly stores: readonly string[];
  readonly from: Instant;
  /** Null: it has no end. */
  readonly to: Instant | null;
  /** Of one unit: what it is under its cost or its floor, or raised by; the lowest price before; what a deal asks too much. */
  readonly amount: MinorUnits | null;
  /** Which part of an offer it is about: a tier, from so much on, a slot, by its place, or a limit of so many units. */
  readonly part?: { readonly kind: 'tier' | 'part' | 'limit'; readonly at: number };
}

const text = ({ code, promotions }: Finding): string => [code, ...promotions].join('\n');

/** By code, then ids, then by what they are about: the same plan gives the same list. */
export const inOrder = (findings: readonly Finding[]): Finding[] =>
  findings
    .map((finding) => ({ finding, key: `${text(finding)}\n${detail(finding)}` }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : 0))
    .map(({ finding }) => finding);

const detail = ({ from, part, amount, items, stores }: Finding): string =>
  [
    String(from).padStart(16, '0'),
    part?.kind,
    String(part?.at ?? 0).padStart(8, '0'),
    String(amount ?? 0).padStart(16, '0'),
    items[0],
    stores[0],
  ].join(' ');
