import { type DemoName, emailOf, running } from './running.ts';

export interface Reply<T = unknown> {
  readonly status: number;
  readonly body: T;
}

export interface Client {
  get<T = any>(path: string): Promise<Reply<T>>;
  send<T = any>(method: 'POST' | 'PUT' | 'PATCH' | 'DELETE', path: string, body: unknown): Promise<Reply<T>>;
  /** Bytes as they are. */
  upload<T = any>(path: string, bytes: Uint8Array): Promise<Reply<T>>;
}

/** Speaks with the application over HTTP, with a person's cookies or without any; keeps those that it is given, as browsers do. */
function client(first: string | null, origin: string, more: Readonly<Record<string, string>> = {}): Client {
  const jar = new Map(first?.split('; ').map((one) => [one.split('=')[0]!, one]));
  const call = async (path: string, init: RequestInit) => {
    const cookie = [...jar.values()].join('; ');
    // A kept connection that the server ends while this process is busy elsewhere would fail whatever is asked next.
    const always = { origin, connection: 'close', 'content-type': 'application/json' };
    const headers = { ...always, ...(cookie ? { cookie } : {}), ...more };
    const reply = await fetch(origin + path, { ...init, headers, redirect: 'manual' });
    for (const one of reply.headers.getSetCookie()) {
      const [name = ''] = one.split('=');
      if (/; *max-age=0\b/i.test(one)) jar.delete(name);
      else jar.set(name, one.split(';')[0]!);
    }
    // A line stays open until somebody goes.
    if (reply.headers.get('content-type')?.startsWith('text/event-stream')) {
      await reply.body?.cancel();
      return { status: reply.status, body: null };
    }
    const text = await reply.text();
    return { status: reply.status, body: text === '' ? null : parsed(text) };
  };
  return {
    get: (path) => call(path, {}) as never,
    send: (method, path, body) =>
      call(path, { method, body: typeof body === 'string' ? body : JSON.stringify(body) }) as never,
    upload: (path, bytes) => call(path, { method: 'POST', body: new Uint8Array(bytes) }) as never,
  };
}

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
};

/** Another program, by its key, with what else it says in the heads of its requests. */
export const program = (key: string, more: Readonly<Record<string, string>> = {}): Client =>
  client(null, running().origin, { authorization: `Bearer ${key}`, ...more });

export const nobody = (): Client => client(null, running().origin);

const clients = new Map<string, Promise<Client>>();

/** Signed in as a demo person, at one of the servers: once in each file of tests, as people do. */
export function as(name: DemoName, origin = running().origin): Promise<Client> {
  const key = `${name} ${origin}`;
  const known = clients.get(key) ?? cookieOf(name, origin).then((cookie) => client(cookie, origin));
  clients.set(key, known);
  return known;
}

/** The cookie of a demo person who signs in, for what is asked by hand. */
export async function cookieOf(name: DemoName, origin = running().origin): Promise<string> {
  const reply = await fetch(`${origin}/api/demo-sign-in`, {
    method: 'POST',
    headers: { origin, 'content-type': 'application/json' },
    body: JSON.stringify({ email: emailOf(name) }),
  });
  if (!reply.ok) throw new Error(`signing in as ${name} was answered ${reply.status}`);
  return cookiesOf(reply);
}

/** Signs in with a password; no client where that was refused. Where there is a second step nobody is in yet. */
export async function signedIn(
  email: string,
  password: string,
): Promise<{ readonly status: number; readonly client: Client | null }> {
  const { origin } = running();
  const reply = await fetch(`${origin}/api/sign-in`, {
    method: 'POST',
    headers: { origin, 'content-type': 'application/json' },
    body: JSON.stringify({ email, password }),
  });
  return { status: reply.status, client: reply.ok ? client(cookiesOf(reply), origin) : null };
}

const cookiesOf = (reply: Response): string =>
  reply.headers
    .getSetCookie()
    .filter((one) => !/; *max-age=0\b/i.test(one))
    .map((one) => one.split(';')[0])
    .join('; ');

/** Saves a promotion and has it approved on the way that the chain wants: written by one, approved by another. */
export async function saveApproved(promotion: { id: string }): Promise<void> {
  const [ines, rufus] = [await as('ines'), await as('rufus')];
  const path = `/api/promotions/${promotion.id}`;
  const made = await ines.send('POST', '/api/promotions', { promotion: { ...promotion, status: 'draft' } });
  const submitted = await ines.send('POST', `${path}/step`, { step: 'submit', revision: made.body.revision });
  const approved = await rufus.send('POST', `${path}/step`, {
    step: 'approve',
    revision: submitted.body.revision,
  });
  if (approved.status !== 200) throw new Error(JSON.stringify([made, submitted, approved]));
}
