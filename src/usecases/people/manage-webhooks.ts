import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type WebhookRequest,
  type WebhookStepRequest,
  type WebhooksView,
} from '../../contracts/index.ts';
import type { WebhookStore } from '../ports/index.ts';

interface Ports {
  readonly webhooks: WebhookStore;
}

/** The addresses that are told what happens, for whoever looks after them. */
export async function listWebhooks({ webhooks }: Ports, person: Person): Promise<Outcome<WebhooksView>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  return done({ webhooks: await webhooks.all() });
}

/** Has an address told what happens from now on, signed with a secret that is shown this once. */
export async function addWebhook(
  { webhooks }: Ports,
  person: Person,
  { url, events }: WebhookRequest,
  secret: string,
): Promise<Outcome<{ id: string; secret: string }>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const fault = faultOf(new URL(url));
  if (fault) return invalid(['url'], fault.what, fault.wanted);
  return done({ id: await webhooks.put({ url, events, secret }, person.id), secret });
}

/** Tells an address nothing more, or tries now what it has not taken. */
export async function stepWebhook(
  { webhooks }: Ports,
  person: Person,
  { id, step }: WebhookStepRequest & { readonly id: string },
  now: Date,
): Promise<Outcome<object>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const found = step === 'end' ? await webhooks.end(id, now, person.id) : await webhooks.tryAgain(id, now);
  return found ? done({}) : failed({ kind: 'not-found', what: `address ${id}` });
}

/** Addresses of the house itself, between which nothing is sealed. */
const IN_THE_HOUSE =
  /^(localhost|127(\.\d+){3}|10(\.\d+){3}|192\.168(\.\d+){2}|172\.(1[6-9]|2\d|3[01])(\.\d+){2}|\[::1\])$/;
/** Where machines of a cloud are told their own secrets. */
const OF_THE_MACHINE = /^(169\.254(\.\d+){2}|\[fe80:.*\]|metadata(\..*)?)$/;

function faultOf({ protocol, hostname, username, password }: URL): { what: string; wanted: string } | null {
  if (username || password)
    return { what: 'a name or a password stands in it', wanted: 'none: calls are signed' };
  if (OF_THE_MACHINE.test(hostname))
    return { what: 'that address is of the machine itself', wanted: 'the address of another program' };
  if (protocol === 'http:' && !IN_THE_HOUSE.test(hostname))
    return { what: 'it is not sealed on its way', wanted: 'https, but within the house' };
  return null;
}
