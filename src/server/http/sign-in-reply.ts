import { json } from './reply.ts';

/** What a request says of where it comes from is not believed: a session is kept with what our entry saw. */
export function fromAddress(headers: Headers, address: string): Headers {
  const ours = new Headers(headers);
  ours.set('x-forwarded-for', address);
  return ours;
}

/** Only the cookies of the package's reply go on. */
export function withCookiesOf(reply: Response, more: object = {}): Response {
  const answer = json({ ok: true, ...more });
  for (const cookie of reply.headers.getSetCookie()) answer.headers.append('set-cookie', cookie);
  return answer;
}
