import { existsSync, readFileSync } from 'node:fs';
import { writeWhole } from './write-whole.ts';

/** A small thing that a till remembers on its own disk. */
export interface KeptOnDisk<T> {
  /** Null: nothing lies there, or nothing that can be read. */
  read(): T | null;
  write(value: T): void;
}

export const keptOnDisk = <T extends object>(path: string): KeptOnDisk<T> => ({
  read() {
    try {
      return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as T) : null;
    } catch {
      return null;
    }
  },
  write: (value) => writeWhole(path, JSON.stringify(value)),
});
