import Joi from 'joi';
import { DEMO_PASSWORD, DEMO_PEOPLE } from '../../contracts/demo-people.ts';
import { shape } from '../../contracts/index.ts';
import { app, enter, failureReply, guarded, isDemoChain, KB, problem, readJson } from '../../server/index.ts';

const request = Joi.object<{ email: string }>({
  email: Joi.valid(...DEMO_PEOPLE.map(({ email }) => email)).required(),
});

/** One press lets one in as a demo person; only where the chain is a demo. */
export const POST = guarded(async (context) => {
  const { environment, db } = app();
  if (!environment.demo || !(await isDemoChain(db))) return failureReply({ kind: 'forbidden' });
  const read = await readJson(context.request, 4 * KB);
  if (!read.ok) return failureReply(read.failure);
  const shaped = shape(request, read.value);
  if (!shaped.ok) return failureReply({ kind: 'invalid', faults: shaped.faults });
  const reply = await enter(context, shaped.value.email, DEMO_PASSWORD);
  return reply.status === 401
    ? problem('not-found', 404, 'This demo person is not there; "npm start" makes the demo people.')
    : reply;
});
