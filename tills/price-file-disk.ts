import { existsSync, readFileSync, renameSync, statSync } from 'node:fs';
import type { PriceFileEnvelope } from '../src/contracts/index.ts';
import { writeWhole } from './write-whole.ts';

/** A till's own disk: the one price file in force. */
export interface PriceFileDisk {
  /** What lies there, whatever it is: it is to be checked as what comes over the wire is. Null: nothing. */
  read(): unknown;
  /** Whole or not at all: a cut-off write leaves the file before. */
  write(envelope: PriceFileEnvelope): void;
  /** Takes a file that is not good out of the way, and keeps it to be looked at. */
  putAside(): void;
  /** When the file in force was written, ISO 8601 UTC; null where there is none. */
  since(): string | null;
}

export function priceFileDisk(folder: string): PriceFileDisk {
  const path = `${folder}/price-file.json`;
  return {
    read() {
      if (!existsSync(path)) return null;
      try {
        return JSON.parse(readFileSync(path, 'utf8'));
      } catch {
        return 'no JSON';
      }
    },
    since: () => (existsSync(path) ? statSync(path).mtime.toISOString() : null),
    putAside: () => renameSync(path, `${folder}/price-file.put-aside.json`),
    write: (envelope) => writeWhole(path, JSON.stringify(envelope)),
  };
}
