import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { type PriceFileEnvelope, parseEnvelope } from '../src/contracts/index.ts';

/** A till's own disk: the one price file in force. */
export interface PriceFileDisk {
  read(): PriceFileEnvelope | null;
  /** Whole or not at all: a cut-off write leaves the file before. */
  write(envelope: PriceFileEnvelope): void;
  /** When the file in force was written, ISO 8601 UTC; null where there is none. */
  since(): string | null;
}

export function priceFileDisk(folder: string): PriceFileDisk {
  const path = `${folder}/price-file.json`;
  mkdirSync(folder, { recursive: true });
  return {
    read() {
      if (!existsSync(path)) return null;
      try {
        const shaped = parseEnvelope(JSON.parse(readFileSync(path, 'utf8')));
        return shaped.ok ? shaped.value : null;
      } catch {
        return null;
      }
    },
    since: () => (existsSync(path) ? statSync(path).mtime.toISOString() : null),
    write(envelope) {
      writeFileSync(`${path}.part`, JSON.stringify(envelope));
      renameSync(`${path}.part`, path);
    },
  };
}
