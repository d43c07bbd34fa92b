/** What a file may hold at most: twice what the largest chain's largest table does. */
export const FILE_LIMITS = {
  /** As it is sent. */
  bytes: 60_000_000,
  /** A packed file, unpacked. */
  unpacked: 400_000_000,
  /** Files within a packed one. */
  parts: 1_000,
  rows: 250_000,
  columns: 400,
  cells: 5_000_000,
  /** Characters of one cell. */
  cell: 100_000,
} as const;
