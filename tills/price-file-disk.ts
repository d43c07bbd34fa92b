import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { type PriceFileEnvelope, parseEnvelope } from '../src/contracts/index.ts';

/** A till's own disk: the one price file in force. */
export interface PriceFileDisk {
  read(): PriceFileEnvelope | null;
  /** Whole or not at all: a cut-off write leaves the file before. */
  write(envelope: PriceFileEnvelope): void;
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
    write(envelope) {
      writeFileSync(`${path}.part`, JSON.stringify(envelope));
      renameSync(`${path}.part`, path);
    },
  };
}
