import { type LensView, type Person, readLens } from '../contracts/index.ts';
import { type App, app } from './app.ts';
import { now } from './machine/clock.ts';

/**
 * What every page begins with: who looks, and through which lens. Null where the person sees no store at all.
 * @param looksBack whether the page can show the plan as it was known at another time; others show it as it is.
 */
export async function lookThrough(
  astro: { url: URL; locals: { person: Person | null } },
  { looksBack = false }: { looksBack?: boolean } = {},
): Promise<{ app: App; person: Person; view: LensView } | null> {
  const running = app();
  const { person } = astro.locals;
  if (!person) throw new Error('a page that needs a person was reached without one');
  const { known, ...here } = readLens(astro.url.searchParams);
  const lens = looksBack && known !== undefined ? { ...here, known } : here;
  const view = await running.heavy.value(person.id, 'resolveLens', person, lens, now());
  return view && { app: running, person, view };
}

export const NO_STORES = '/sign-in?why=no-stores';
