import { fileURLToPath } from 'node:url';

/** The checkout's own folder. */
export const ROOT = fileURLToPath(new URL('../../', import.meta.url));
export const inRoot = (path) => ROOT + path;
