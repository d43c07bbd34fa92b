import type { Refusal } from '../server/index.ts';

/** The parts of the sentence that a fault can belong to, by where it points. Longest first. */
const PARTS = {
  name: '/name',
  formula: '/offer/formula',
  rounding: '/offer/rounding',
  items: '/offer/items',
  when: '/when',
  where: '/where',
  who: '/who',
  priority: '/priority',
  channels: '/channels',
  terminals: '/terminals',
  badge: '/badge',
  supplier: '/supplier',
  notes: '/notes',
  label: '/label',
} as const;
export type PartName = keyof typeof PARTS;

/** What the server says against a part of the draft. */
export function faultAt(faults: Refusal['faults'], part: PartName): string | null {
  const found = faults.filter(({ path }) => path === PARTS[part] || path.startsWith(`${PARTS[part]}/`));
  return found.length === 0 ? null : found.map(({ message }) => message).join('; ');
}

/** Faults that belong to no part that is shown. */
export const otherFaults = (faults: Refusal['faults']): Refusal['faults'] =>
  faults.filter(
    ({ path }) => !Object.values(PARTS).some((prefix) => path === prefix || path.startsWith(`${prefix}/`)),
  );
