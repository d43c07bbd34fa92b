import { normalCode } from '../codes/index.ts';

const CODE = 'code:';

/** How often a code was used, among the uses so far. */
export const codeKey = (code: string): string => `${CODE}${normalCode(code)}`;

/** How often one shopper used a promotion. */
export const shopperKey = (promotion: string, shopper: string): string => `${promotion}@${shopper}`;

const UNITS = 'units:';

/** How many units were had by what a key counts. */
export const unitsKey = (key: string): string => `${UNITS}${key}`;

/** How many units were had of a promotion by one of its codes. */
export const unitsOfCodeKey = (promotion: string, code: string): string =>
  unitsKey(`${codeKey(code)}@${promotion}`);

/** The key of the uses whose units a key counts; one of uses as it is. */
export const withoutUnits = (key: string): string => (key.startsWith(UNITS) ? key.slice(UNITS.length) : key);

/** How often a code of a batch was used; it says nothing of the code. @param hash in hexadecimal digits. */
export const batchCodeKey = (batch: number, hash: string): string => `batch:${batch}:${hash}`;

/** The batch that a key is of; null: it is of none. */
export function batchOfKey(key: string): number | null {
  const [, batch] = /^batch:(\d{1,9}):/.exec(key) ?? [];
  return batch === undefined ? null : Number(batch);
}

function normalKey(key: string): string {
  const [, code, promotion] = /^units:code:([^@]*)@(.*)$/s.exec(key) ?? [];
  if (code !== undefined) return unitsOfCodeKey(promotion!, code);
  return key.startsWith(CODE) ? codeKey(key.slice(CODE.length)) : key;
}

/** The uses so far, with codes as they are compared: what was said of one in two ways of writing adds up. */
export function readUses(said: Readonly<Record<string, number>>): ReadonlyMap<string, number> {
  const uses = new Map<string, number>();
  for (const [key, count] of Object.entries(said)) {
    const normal = normalKey(key);
    uses.set(normal, (uses.get(normal) ?? 0) + count);
  }
  return uses;
}
