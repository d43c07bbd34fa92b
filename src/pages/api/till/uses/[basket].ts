import type { APIContext } from 'astro';
import type Joi from 'joi';
import {
  BASKET_NAME,
  holdUsesRequest,
  OF_CARD,
  shape,
  takeUsesRequest,
} from '../../../../contracts/index.ts';
import {
  failureReply,
  giveBackUses,
  holdUses,
  json,
  KB,
  now,
  ofHolder,
  readJson,
  takeUses,
  terminalEndpoint,
} from '../../../../server/index.ts';

/** Keeps what a basket would use until it is paid or given back; what is used up is told. */
export const PUT = terminalEndpoint(async ({ app, terminal, context }) => {
  const read = await said(context, holdUsesRequest);
  if (!read.ok) return read.reply;
  return json(await holdUses(app, terminal, read.basket, read.value.uses, now()));
});

/** The basket was paid: what its receipt used counts, once however often this is told. */
export const POST = terminalEndpoint(async ({ app, terminal, context }) => {
  const read = await said(context, takeUsesRequest);
  if (!read.ok) return read.reply;
  const closed = { ...read.value, at: new Date(read.value.at) };
  const card = closed.shopper?.id.startsWith(OF_CARD) ? closed.shopper.id.slice(OF_CARD.length) : null;
  const holder = card === null ? null : await app.heavy.value('', 'holderOfCard', card, new Date(now()));
  await takeUses(app, terminal, read.basket, card === null ? closed : ofHolder(closed, holder));
  return json({ ok: true });
});

/** The basket was left standing. */
export const DELETE = terminalEndpoint(async ({ app, terminal, context }) => {
  const basket = basketOf(context);
  if (basket === null) return noName();
  await giveBackUses(app, terminal, basket);
  return json({ ok: true });
});

type Said<T> = { ok: true; basket: string; value: T } | { ok: false; reply: Response };

async function said<T>(context: APIContext, schema: Joi.ObjectSchema<T>): Promise<Said<T>> {
  const basket = basketOf(context);
  if (basket === null) return { ok: false, reply: noName() };
  const read = await readJson(context.request, 100 * KB);
  if (!read.ok) return { ok: false, reply: failureReply(read.failure) };
  const shaped = shape(schema, read.value);
  if (!shaped.ok) return { ok: false, reply: failureReply({ kind: 'invalid', faults: shaped.faults }) };
  return { ok: true, basket, value: shaped.value };
}

const basketOf = ({ params }: APIContext): string | null =>
  params.basket !== undefined && BASKET_NAME.test(params.basket) ? params.basket : null;

const noName = (): Response =>
  failureReply({
    kind: 'invalid',
    faults: [
      { path: ['basket'], what: 'this is no name of a basket', wanted: '8 to 64 letters, digits and dashes' },
    ],
  });
