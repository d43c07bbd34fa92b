/** Why the database refused a change: its own reasons, in ours. */
export type Refusal = 'still-used' | 'exists' | 'impossible' | 'unknown-reference';

const BY_CODE: Readonly<Record<string, Refusal>> = {
  '23505': 'exists',
  '23514': 'impossible',
  '23502': 'impossible',
};

/** The refusal behind an error of the driver, with the constraint's name; null where it is another failure. */
export function refusalOf(error: unknown): { refusal: Refusal; constraint: string } | null {
  const cause = ((error as { cause?: unknown }).cause ?? error) as {
    code?: string;
    constraint?: string;
    detail?: string;
  };
  if (typeof cause.code !== 'string') return null;
  const constraint = cause.constraint ?? '';
  if (cause.code === '23503') {
    return {
      refusal: cause.detail?.includes('still referenced') ? 'still-used' : 'unknown-reference',
      constraint,
    };
  }
  const refusal = BY_CODE[cause.code];
  return refusal ? { refusal, constraint } : null;
}
