/** Every place of a value, lists and objects themselves among them. */
export function placesIn(value: unknown, at: readonly string[] = []): (readonly string[])[] {
  if (typeof value !== 'object' || value === null) return [at];
  return [
    ...(at.length > 0 ? [at] : []),
    ...Object.entries(value).flatMap(([key, one]) => placesIn(one, [...at, key])),
  ];
}

/** The value with another at one of its places. */
export function put(value: unknown, [key, ...rest]: readonly string[], odd: unknown): unknown {
  if (key === undefined) return odd;
  if (Array.isArray(value)) return value.map((one, i) => (String(i) === key ? put(one, rest, odd) : one));
  const object = value as Record<string, unknown>;
  return { ...object, [key]: put(object[key], rest, odd) };
}
