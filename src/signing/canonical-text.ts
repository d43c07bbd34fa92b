import canonicalize from 'canonicalize';

/** The one text of a value in the JSON Canonicalization Scheme (RFC 8785): equal values have equal texts. */
export function canonicalText(value: object): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error('a value without a JSON form was to be signed');
  return text;
}

/** The canonical text of an object of whose members one is known as its own canonical text. */
export const canonicalTextWith = (rest: object, name: string, text: string): string => {
  const members = Object.entries(rest).map(([key, value]): [string, string] => [key, canonicalText(value)]);
  // By UTF-16 code units (RFC 8785, 3.2.3).
  const all = [...members, [name, text] as const].sort(([a], [b]) => (a < b ? -1 : 1));
  return `{${all.map(([key, value]) => `${JSON.stringify(key)}:${value}`).join(',')}}`;
};

/** Objects within lists within objects, as goods in a plan in a price file. */
const DEPTH = 3;

/**
 * As {@link canonicalText}, for values that share most of what is in them: the texts of objects some levels down are
 * remembered for as long as the objects live. What the scheme says of a whole it says of its parts.
 */
export function canonicalTexts(): (value: object) => string {
  const known = new WeakMap<object, string>();
  const textOf = (value: unknown, depth: number): string => {
    if (typeof value !== 'object' || value === null) return canonicalText(value as object);
    if (depth === 0) {
      const found = known.get(value) ?? canonicalText(value);
      known.set(value, found);
      return found;
    }
    if (Array.isArray(value)) return `[${value.map((one) => textOf(one, depth - 1)).join(',')}]`;
    const parts = Object.keys(value)
      .filter((key) => (value as Record<string, unknown>)[key] !== undefined)
      // By UTF-16 code units (RFC 8785, 3.2.3).
      .sort()
      .map((key) => `${JSON.stringify(key)}:${textOf((value as Record<string, unknown>)[key], depth - 1)}`);
    return `{${parts.join(',')}}`;
  };
  return (value) => textOf(value, DEPTH);
}
