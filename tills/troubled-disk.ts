import { mkdirSync, writeFileSync } from 'node:fs';
import type { PriceFileDisk } from './price-file-disk.ts';

/** What can be made to happen to the disk of a simulated till at its next write. */
export const DISK_TROUBLES = ['none', 'full', 'power-cut'] as const;
export type DiskTrouble = (typeof DISK_TROUBLES)[number];

/** The power went in the middle of a write: nothing that the till still wanted to do is done. */
export class PowerCut extends Error {}

/** A disk to which something happens. A cut leaves half of what was being written, where a real one would. */
export const troubledDisk = (
  disk: PriceFileDisk,
  folder: string,
  trouble: () => DiskTrouble,
): PriceFileDisk => ({
  ...disk,
  write(envelope) {
    const now = trouble();
    if (now === 'full') throw Object.assign(new Error('no space is left on it'), { code: 'ENOSPC' });
    if (now === 'none') return disk.write(envelope);
    const text = JSON.stringify(envelope);
    mkdirSync(folder, { recursive: true });
    writeFileSync(`${folder}/price-file.json.part`, text.slice(0, text.length / 2));
    throw new PowerCut('the power went in the middle of a write');
  },
});
