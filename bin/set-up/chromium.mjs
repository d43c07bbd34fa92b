import { existsSync } from 'node:fs';
import { installDebianPackage } from './debian.mjs';

const PATHS = ['/usr/bin/chromium', '/usr/bin/chromium-browser'];

/** Where Debian's Chromium is; installs it where it is missing. */
export function ensureChromium() {
  const find = () => PATHS.find((path) => existsSync(path));
  if (!find()) installDebianPackage('chromium', 'Chromium, which the browser tests drive, is missing');
  return find();
}
