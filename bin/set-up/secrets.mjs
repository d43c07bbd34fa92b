import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { inRoot } from './paths.mjs';

/** The secrets of this checkout, made once: the database's password and what signs session cookies. */
export function secrets() {
  const path = inRoot('.data/secrets.json');
  if (!existsSync(path)) {
    mkdirSync(dirname(path), { recursive: true });
    const made = {
      databasePassword: randomBytes(18).toString('base64url'),
      cookieSecret: randomBytes(32).toString('base64url'),
    };
    writeFileSync(path, JSON.stringify(made), { mode: 0o600 });
  }
  return JSON.parse(readFileSync(path, 'utf8'));
}
