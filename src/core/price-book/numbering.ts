/** A number for each object, the same one for the same object. */
export function numbering(): (of: object) => number {
  const known = new Map<object, number>();
  return (of) => {
    const found = known.get(of) ?? known.size;
    known.set(of, found);
    return found;
  };
}
