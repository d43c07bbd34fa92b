import Joi from 'joi';
import { DEMO_PASSWORD, DEMO_PEOPLE } from '../../contracts/demo-people.ts';
import { shape } from '../../contracts/index.ts';
import { app, failureReply, guarded, json } from '../../server/index.ts';
import { signedIn } from './sign-in.ts';

const request = Joi.object<{ email: string }>({
  email: Joi.valid(...DEMO_PEOPLE.map(({ email }) => email)).required(),
});

/** One press lets one in as a demo person; only where the chain is a demo. */
export const POST = guarded(async (context) => {
  const { signIn, environment } = await app();
  if (!environment.demo) return failureReply({ kind: 'forbidden' });
  const shaped = shape(request, await context.request.json().catch(() => null));
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const body = { email: shaped.value.email, password: DEMO_PASSWORD };
  const reply = await signIn.api.signInEmail({ body, headers: context.request.headers, asResponse: true });
  return reply.ok
    ? signedIn(reply)
    : json({ message: 'This demo person is not there; "npm start" makes the demo people.' }, 404);
});
