import { closeSync, fsyncSync, mkdirSync, openSync, renameSync, rmSync, writeSync } from 'node:fs';
import { dirname } from 'node:path';

/**
 * Writes a file whole or not at all, also where the power goes: its bytes are on the disk before it takes the name, and
 * the name is before anybody is told.
 * @throws what the disk says; the file before stays, and nothing half written is left.
 */
export function writeWhole(path: string, bytes: string | Uint8Array): void {
  const folder = dirname(path);
  const part = `${path}.part`;
  mkdirSync(folder, { recursive: true });
  try {
    const file = openSync(part, 'w');
    try {
      const buffer = Buffer.from(bytes as string);
      let at = 0;
      while (at < buffer.length) at += writeSync(file, buffer, at);
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
    renameSync(part, path);
    syncFolder(folder);
  } catch (error) {
    rmSync(part, { force: true });
    throw error;
  }
}

function syncFolder(folder: string): void {
  const open = openSync(folder, 'r');
  try {
    fsyncSync(open);
  } finally {
    closeSync(open);
  }
}

/** Whether the disk has no room, or lets nobody write. */
export const isFullDisk = (error: unknown): boolean =>
  ['ENOSPC', 'EDQUOT', 'EROFS'].includes((error as { code?: string }).code ?? '');
