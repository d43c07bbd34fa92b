import { collectDefaultMetrics, Histogram, Registry } from 'prom-client';

const registry = new Registry();
collectDefaultMetrics({ register: registry, prefix: 'belltag_' });

/** Of all requests but the lines that stay open. */
const seconds = new Histogram({
  name: 'belltag_request_seconds',
  help: 'How long requests took, by what was asked for and how it ended',
  labelNames: ['method', 'kind', 'status'],
  buckets: [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 15, 60],
  registers: [registry],
});

export function measureRequest({
  method,
  path,
  status,
  milliseconds,
}: {
  method: string;
  path: string;
  status: number;
  milliseconds: number;
}): void {
  if (path.endsWith('/stream')) return;
  // Whoever makes up methods does not fill the memory.
  const known = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE'].includes(method) ? method : 'other';
  seconds.observe({ method: known, kind: kindOf(path), status: String(status) }, milliseconds / 1000);
}

function kindOf(path: string): string {
  if (path.startsWith('/api/till/')) return 'till';
  if (path.startsWith('/api/')) return 'api';
  return /\.\w+$/.test(path) ? 'file' : 'page';
}

/** In the text format of Prometheus. */
export const measuredRequests = (): Promise<string> => registry.metrics();
