import { mkdirSync, openSync, renameSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { inRoot } from './paths.mjs';

/** Bytes; what is longer at a beginning is put aside once. */
const LONGEST = 20_000_000;

/**
 * The file that takes what the programs of an installation say, line by line as JSON.
 * @returns its path from the project's root, and the number under which it stands open.
 */
export function openLog(name) {
  const path = `.data/log/${name}.log`;
  const file = inRoot(path);
  mkdirSync(dirname(file), { recursive: true });
  if ((statSync(file, { throwIfNoEntry: false })?.size ?? 0) > LONGEST) renameSync(file, `${file}.1`);
  return { path, descriptor: openSync(file, 'a', 0o600) };
}
