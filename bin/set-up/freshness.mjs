import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { inRoot } from './paths.mjs';

/**
 * A fingerprint of the files under some paths: names, sizes and contents.
 * Contents rather than times, because a fresh clone has the times of the clone.
 */
export function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((path) => filesUnder(inRoot(path))).sort()) {
    hash.update(`${file}\0`).update(readFileSync(file)).update('\0');
  }
  return hash.digest('hex');
}

function filesUnder(path) {
  if (!existsSync(path)) return [];
  if (!statSync(path).isDirectory()) return [path];
  return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
    entry.name === 'node_modules' ? [] : filesUnder(join(path, entry.name)),
  );
}

/** Runs `make` unless it ran to its end before with the same sources. */
export async function onceFor(stampPath, sources, make) {
  const stamp = inRoot(stampPath);
  const now = fingerprint(sources);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return false;
  await make();
  mkdirSync(dirname(stamp), { recursive: true });
  writeFileSync(stamp, now);
  return true;
}
