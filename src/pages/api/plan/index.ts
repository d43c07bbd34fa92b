import { parsePlan } from '../../../contracts/index.ts';
import { endpoint, failureReply, json } from '../../../server/index.ts';

/** The whole plan as an open document, costs and all: not for people of single stores. */
export const GET = endpoint({ permission: 'see' }, async ({ app, person }) => {
  if (person.stores !== null) return failureReply({ kind: 'forbidden' });
  const { document } = await app.book.current();
  const reply = json(document);
  reply.headers.set('content-disposition', 'attachment; filename="plan.json"');
  return reply;
});

/** Makes a document the whole plan, or refuses all of it. */
export const PUT = endpoint({ permission: 'administer' }, async ({ app, person, context }) => {
  const raw = await context.request.json().catch(() => undefined);
  if (raw === undefined)
    return failureReply({
      kind: 'invalid',
      faults: [{ path: [], what: 'the body is no JSON', wanted: 'a plan document' }],
    });
  const parsed = parsePlan(raw);
  if (!parsed.ok) return failureReply({ kind: 'invalid', faults: parsed.faults });
  await app.writer.replace(parsed.document, person.id);
  return json({
    ok: true,
    items: parsed.document.items.length,
    promotions: parsed.document.promotions.length,
  });
});
