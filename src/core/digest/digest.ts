/**
 * A 53-bit digest of a text (two 32-bit multiplicative hashes, mixed), as base 36. It tells whether something
 * changed; it protects against nothing.
 */
export function digest(text: string): string {
  let a = 0xdeadbeef;
  let b = 0x41c6ce57;
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i);
    a = Math.imul(a ^ code, 2654435761);
    b = Math.imul(b ^ code, 1597334677);
  }
  a = Math.imul(a ^ (a >>> 16), 2246822507) ^ Math.imul(b ^ (b >>> 13), 3266489909);
  b = Math.imul(b ^ (b >>> 16), 2246822507) ^ Math.imul(a ^ (a >>> 13), 3266489909);
  return ((b >>> 0) * 0x200000 + ((a >>> 0) & 0x1fffff)).toString(36);
}

/** JSON with sorted keys and without undefined, so that equal values are equal texts. */
export function stable(value: unknown): string {
  return JSON.stringify(value, (_, entry: unknown) =>
    entry && typeof entry === 'object' && !Array.isArray(entry)
      ? Object.fromEntries(Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1)))
      : entry,
  );
}

/**
 * {@link stable}, for values that share much of what is in them: the texts of a value's own members are remembered for
 * as long as these live.
 */
export function stableTexts(): (value: object) => string {
  const known = new WeakMap<object, string>();
  const textOf = (member: unknown): string | undefined => {
    if (typeof member !== 'object' || member === null) return JSON.stringify(member);
    const found = known.get(member) ?? stable(member);
    known.set(member, found);
    return found;
  };
  return (value) => {
    const members = Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .flatMap(([name, member]) => {
        const text = textOf(member);
        return text === undefined ? [] : `${JSON.stringify(name)}:${text}`;
      });
    return `{${members.join(',')}}`;
  };
}
