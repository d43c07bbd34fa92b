/** What came back of one request, and how long it took. */
export interface Answer {
  /** 0: the connection ended without an answer. */
  readonly status: number;
  readonly text: string;
  readonly took: number;
}

export interface Asker {
  ask(path: string, init?: RequestInit & { duplex?: 'half' }): Promise<Answer>;
  send(method: string, path: string, body: unknown): Promise<Answer>;
}

/** Asks as a demo person, or as nobody. */
export async function asker(origin: string, name: string | null): Promise<Asker> {
  const cookie = name === null ? null : await cookieOf(origin, name);
  const headers = { origin, 'content-type': 'application/json', ...(cookie ? { cookie } : {}) };
  const ask: Asker['ask'] = async (path, init = {}) => {
    const begun = performance.now();
    try {
      const reply = await fetch(origin + path, {
        redirect: 'manual',
        ...init,
        headers: { ...headers, ...init.headers },
      });
      // A line stays open until somebody goes.
      const isLine = reply.headers.get('content-type')?.startsWith('text/event-stream');
      const text = isLine ? '' : await reply.text();
      if (isLine) await reply.body?.cancel();
      return { status: reply.status, text, took: performance.now() - begun };
    } catch (error) {
      return { status: 0, text: String((error as Error).cause ?? error), took: performance.now() - begun };
    }
  };
  return { ask, send: (method, path, body) => ask(path, { method, body: JSON.stringify(body) }) };
}

async function cookieOf(origin: string, name: string): Promise<string> {
  const reply = await fetch(`${origin}/api/demo-sign-in`, {
    method: 'POST',
    headers: { origin, 'content-type': 'application/json' },
    body: JSON.stringify({ email: `${name}@quillmere.example` }),
  });
  if (!reply.ok) throw new Error(`signing in as ${name} was answered ${reply.status}`);
  return reply.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ');
}

/** Asks a price again and again while something else goes on, and tells how long the answers took. */
export async function beside<T>(
  person: Asker,
  work: () => Promise<T>,
  path = '/api/price?store=s002&item=Q100181&at=2026-12-01T09:00',
  onAnswer: (took: number) => void = () => {},
): Promise<{ value: T; worst: number; p99: number; asked: number; failed: number }> {
  const took: number[] = [];
  let failed = 0;
  let over = false;
  const asking = (async () => {
    while (!over) {
      const answer = await person.ask(path);
      if (answer.status !== 200) failed += 1;
      took.push(answer.took);
      onAnswer(answer.took);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  const value = await work();
  over = true;
  await asking;
  took.sort((a, b) => a - b);
  return {
    value,
    worst: took.at(-1) ?? 0,
    p99: took[Math.floor(took.length * 0.99)] ?? 0,
    asked: took.length,
    failed,
  };
}

export const ms = (time: number): string => `${time.toFixed(0)} ms`;
