/** A version of the plan as an entity tag (RFC 9110 8.8.3). */
export const versionTag = (version: number): string => `"plan-${version}"`;

/** What no version is: nothing matches it. */
const NO_VERSION = -1;

/** The version that If-Match names; null: any, or it is not said. What is none of our tags is a version that never stands. */
export function taggedVersion(ifMatch: string | null): number | null {
  const said = ifMatch?.trim() ?? '*';
  return said === '*' ? null : Number(/^"plan-(\d{1,15})"$/.exec(said)?.[1] ?? NO_VERSION);
}

/** A revision of one thing as an entity tag. */
export const revisionTag = (revision: number): string => `"revision-${revision}"`;

/** The revision that If-Match names; null: any, or it is not said. What is none of our tags is a revision that never stood. */
export function taggedRevision(ifMatch: string | null): number | null {
  const said = ifMatch?.trim() ?? '*';
  return said === '*' ? null : Number(/^"revision-(\d{1,9})"$/.exec(said)?.[1] ?? NO_VERSION);
}
