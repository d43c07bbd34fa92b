import canonicalize from 'canonicalize';

/** The one text of a value in the JSON Canonicalization Scheme (RFC 8785): equal values have equal texts. */
export function canonicalText(value: object): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error('a value without a JSON form was to be signed');
  return text;
}
