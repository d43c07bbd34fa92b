import type { ToldRoute } from '../endpoint.ts';
import type { ToldOperations } from './openapi.ts';
import { OPERATIONS } from './operations.ts';

/** What tells of the interface itself. */
const OF_ITSELF = ['GET /openapi.json', 'GET /schemas/{name}'];

/** "/promotions/{id}" of the framework's "/api/promotions/[id]", or of a file of that name. */
const pathOf = (pattern: string): string =>
  pattern
    .replace(/^.*?\/api\//, '/')
    .replace(/(\/index)?\.ts$/, '')
    .replaceAll(/\[(\w+)\]/g, '{$1}');

/** How an address may be asked that other programs may rely on; none: there is no such. @param pattern as the framework names it. */
export function publishedMethods(pattern: string): readonly string[] {
  const path = pathOf(pattern);
  const all = [...Object.keys(OPERATIONS), ...OF_ITSELF].map((name) => name.split(' '));
  return all.filter(([, where]) => where === path).map(([method = '']) => method);
}

/** What the endpoints say of how they are asked. @param files the endpoints by file, each loaded when it is called. */
export async function toldOperations(
  files: Readonly<Record<string, () => Promise<unknown>>>,
): Promise<ToldOperations> {
  // Only here: who serves pages needs none of the work that is done in threads.
  const { HEAVY_ENDPOINTS } = await import('../heavy/heavy-endpoints.ts');
  const told: Record<string, ToldOperations[string]> = {};
  const byPath = new Map(Object.entries(files).map(([file, load]) => [pathOf(file), load]));
  for (const name of Object.keys(OPERATIONS)) {
    const [method = '', path = ''] = name.split(' ');
    const routes = (await byPath.get(path)?.()) as Record<string, ToldRoute> | undefined;
    const found = routes?.[method]?.told;
    if (!found) throw new Error(`${name} is published and is not there`);
    const heavy = found.heavy && HEAVY_ENDPOINTS[found.heavy];
    told[name] = { ...found, heavySchema: heavy?.schema ?? null, from: heavy ? heavy.from : found.from };
  }
  return told;
}
