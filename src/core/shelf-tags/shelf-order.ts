/**
 * Compares where two goods stand ("12-03-2"), part by part, numbers as numbers, a number before a name; what stands
 * nowhere comes last.
 * @returns negative, zero or positive; zero also where places are only written differently ("12-3", "12.03").
 */
export function byShelf(a: string | null, b: string | null): number {
  const [left, right] = [partsOf(a), partsOf(b)];
  if (left.length === 0 || right.length === 0) return right.length - left.length;
  for (let i = 0; i < Math.min(left.length, right.length); i++) {
    const order = byPart(left[i]!, right[i]!);
    if (order !== 0) return order;
  }
  return left.length - right.length;
}

/** Runs of digits and runs of letters: what stands between them only keeps them apart. */
const partsOf = (place: string | null): string[] => place?.match(/\d+|[^\d\W_]+/gu) ?? [];

const isNumber = (part: string): boolean => /^\d/.test(part);

function byPart(a: string, b: string): number {
  if (isNumber(a) !== isNumber(b)) return isNumber(a) ? -1 : 1;
  if (!isNumber(a)) return a < b ? -1 : a > b ? 1 : 0;
  // Of any length: as texts without zeros ahead, the longer one is larger.
  const [left, right] = [a.replace(/^0+(?=\d)/, ''), b.replace(/^0+(?=\d)/, '')];
  if (left.length !== right.length) return left.length - right.length;
  return left < right ? -1 : left > right ? 1 : 0;
}
