/** Only our own files, and nothing that stands in a page itself but what the framework hashed. */
const POLICY: Readonly<Record<string, string>> = {
  'default-src': "'self'",
  'img-src': "'self' data: blob:",
  'font-src': "'self' data:",
  'connect-src': "'self'",
  'worker-src': "'self' blob:",
  'media-src': "'self' blob:",
  // Positions and sizes are written into the style of an element.
  'style-src': "'self' 'unsafe-inline'",
  'object-src': "'none'",
  'base-uri': "'none'",
  'form-action': "'self'",
  'frame-ancestors': "'none'",
};

const YEAR = 365 * 24 * 60 * 60;

/** Puts the headers on a reply that keep a browser from doing what we never ask of it. */
export function withSafeHeaders(reply: Response, { secure }: { secure: boolean }): Response {
  const { headers } = reply;
  const scripts = /script-src ([^;]*)/.exec(headers.get('content-security-policy') ?? '')?.[1] ?? "'self'";
  const policy = Object.entries({ ...POLICY, 'script-src': scripts });
  headers.set('content-security-policy', policy.map(([name, value]) => `${name} ${value}`).join('; '));
  headers.set('x-content-type-options', 'nosniff');
  headers.set('x-frame-options', 'DENY');
  headers.set('referrer-policy', 'same-origin');
  headers.set('permissions-policy', 'camera=(self), microphone=(), geolocation=()');
  headers.set('cross-origin-opener-policy', 'same-origin');
  headers.set('cross-origin-resource-policy', 'same-origin');
  if (secure) headers.set('strict-transport-security', `max-age=${YEAR}`);
  // Prices and names are nobody's between us and the reader, nor the next one's at the same desk.
  if (!headers.has('cache-control')) headers.set('cache-control', 'no-store');
  return reply;
}
