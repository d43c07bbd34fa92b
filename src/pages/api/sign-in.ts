import { shape, signInRequest } from '../../contracts/index.ts';
import { app, failureReply, guarded, json } from '../../server/index.ts';

export const POST = guarded(async (context) => {
  const { signIn } = await app();
  const shaped = shape(signInRequest, await context.request.json().catch(() => null));
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const reply = await signIn.api.signInEmail({
    body: shaped.value,
    headers: context.request.headers,
    asResponse: true,
  });
  if (!reply.ok) return json({ message: 'The e-mail address or the password is not right.' }, 401);
  return signedIn(reply);
});

/** Only the cookie of the package's reply goes on. */
export function signedIn(reply: Response): Response {
  const answer = json({ ok: true });
  for (const cookie of reply.headers.getSetCookie()) answer.headers.append('set-cookie', cookie);
  return answer;
}
