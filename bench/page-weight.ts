import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { gzipSync } from 'node:zlib';

const CLIENT = 'dist/app/client';
const PAGES = ['/sign-in', '/today', '/plan', '/plan/new', '/check', '/send', '/stockroom'];

/** The JavaScript that each page brings, with all that it imports at once. */
export async function benchPageWeight(origin: string): Promise<string[]> {
  const signedIn = await fetch(`${origin}/api/demo-sign-in`, {
    method: 'POST',
    headers: { origin, 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'rufus@quillmere.example' }),
  });
  const cookie = signedIn.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
  const lines = ['JavaScript of each page, in kB: as it stands, and gzipped'];
  for (const page of PAGES) {
    const html = await (
      await fetch(origin + page, { headers: page === '/sign-in' ? {} : { cookie } })
    ).text();
    const named = [
      ...html.matchAll(/(?:src|component-url|renderer-url|before-hydration-url)="(\/_astro\/[^"]+\.js)"/g),
    ];
    const inline = [...html.matchAll(/<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g)]
      .map(([, text]) => text!)
      .join('\n');
    const files = [...withImports(named.map(([, path]) => path!))].map((path) => readFileSync(CLIENT + path));
    const raw = files.reduce((sum, file) => sum + file.length, inline.length);
    const packed = files.reduce((sum, file) => sum + gzipSync(file).length, gzipSync(inline).length);
    lines.push(
      `  ${page.padEnd(12)} ${(raw / 1000).toFixed(0).padStart(4)}  ${(packed / 1000).toFixed(0).padStart(4)}`,
    );
  }
  return lines;
}

function withImports(paths: readonly string[]): Set<string> {
  const found = new Set(paths);
  for (const path of found) {
    const text = readFileSync(CLIENT + path, 'utf8');
    for (const [, other] of text.matchAll(/(?:import|from)\s*"(\.\/[^"]+\.js)"/g))
      found.add(join(dirname(path), other!));
  }
  return found;
}
