import { BASE } from '../published/address.ts';

/** Addresses of the published interface are those of our own pages, under a name that stays as they change. */
export function withoutVersion(url: string): { readonly published: boolean; readonly url: string } {
  const published = url.startsWith(`${BASE}/`);
  return { published, url: published ? `/api${url.slice(BASE.length)}` : url };
}
