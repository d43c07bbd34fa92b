/** Why the chain's own directory of people let somebody not in, as the sign-in page is told. */
export const DIRECTORY_REFUSALS = [
  'said-no',
  'not-invited',
  'not-confirmed',
  'not-let-in',
  'too-late',
  'no-answer',
] as const;
export type DirectoryRefusal = (typeof DIRECTORY_REFUSALS)[number];
