import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';

const DEBIAN = '/usr/lib/postgresql';

/** Runs one of PostgreSQL's own programs; Debian keeps the newest beside the server. */
export function postgresClient(program: 'pg_dump' | 'pg_restore', ...words: string[]): void {
  const found = (existsSync(DEBIAN) ? readdirSync(DEBIAN) : [])
    .sort((a, b) => Number(b) - Number(a))
    .map((version) => `${DEBIAN}/${version}/bin/${program}`)
    .find((path) => existsSync(path));
  const { status, stderr } = spawnSync(found ?? program, words, { encoding: 'utf8' });
  if (status !== 0) throw new Error(`${program} ended with ${status}: ${stderr}`);
}
