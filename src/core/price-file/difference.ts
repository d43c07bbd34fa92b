import type { Manifest, NamedPart } from './manifest.ts';

/** Keys that are new, changed and gone. */
export interface Difference {
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly gone: readonly string[];
}

/** What a store would get that it does not have yet. */
export interface StoreDifference {
  readonly promotions: Difference;
  readonly items: Difference;
  /** Whether anything else (lists, sets, groups, hierarchy) differs. */
  readonly other: boolean;
  /** What of that has a name; none where it was not kept. */
  readonly named: readonly { readonly part: NamedPart; readonly id: string }[];
}

/** @param before of the file sent last; null: nothing was sent yet. */
export function storeDifference(before: Manifest | null, after: Manifest): StoreDifference {
  return {
    promotions: difference(before?.promotions ?? {}, after.promotions),
    items: difference(before?.items ?? {}, after.items),
    other: before?.other !== after.other,
    named: namedIn(before, after),
  };
}

function namedIn(before: Manifest | null, after: Manifest): StoreDifference['named'] {
  if (!before?.named || !after.named) return [];
  const { added, changed, gone } = difference(before.named, after.named);
  return [...added, ...changed, ...gone].map((key) => {
    const at = key.indexOf(' ');
    return { part: key.slice(0, at) as NamedPart, id: key.slice(at + 1) };
  });
}

export const isEmpty = ({ promotions, items, other }: StoreDifference): boolean =>
  !other &&
  [promotions, items].every(({ added, changed, gone }) => added.length + changed.length + gone.length === 0);

/** Which keys are new, have another digest, and are gone. */
export function difference(
  before: Readonly<Record<string, string>>,
  after: Readonly<Record<string, string>>,
): Difference {
  const keys = Object.keys(after);
  return {
    added: keys.filter((key) => !Object.hasOwn(before, key)),
    changed: keys.filter((key) => Object.hasOwn(before, key) && before[key] !== after[key]),
    gone: Object.keys(before).filter((key) => !Object.hasOwn(after, key)),
  };
}
