import { running } from './running.ts';

export interface TillAnswer {
  readonly id: string;
  readonly holds: number | null;
  readonly on: boolean;
  readonly problem: string | null;
  readonly trusts: readonly string[];
  readonly rung: {
    readonly price: string | null;
    readonly regular: string | null;
    readonly promotion: string | null;
  } | null;
}

/** What a simulated till says, and rings where a SKU is given. */
export async function askTill(id: string, code = '', group = ''): Promise<TillAnswer> {
  const query = new URLSearchParams({ code, group });
  const reply = await fetch(`${running().tillPage}/till/${id}/state?${query}`);
  return (await reply.json()) as TillAnswer;
}

/** Presses the buttons of a till's page: its clock, its delay, on and off. */
export async function controlTill(id: string, form: Record<string, string>): Promise<void> {
  await fetch(`${running().tillPage}/till/${id}/control`, {
    method: 'POST',
    body: new URLSearchParams(form),
    redirect: 'manual',
  });
}

/** What becomes of a basket that was rung: paid, or left standing. */
export async function closeBasket(id: string, basket: string, deed: 'paid' | 'dropped'): Promise<void> {
  await fetch(`${running().tillPage}/till/${id}/basket/${basket}/${deed}`, {
    method: 'POST',
    redirect: 'manual',
  });
}

/** Puts a whole basket before a till. */
export async function ringAtTill(id: string, basket: object): Promise<{ status: number; body: any }> {
  const reply = await fetch(`${running().tillPage}/till/${id}/basket`, {
    method: 'POST',
    body: JSON.stringify(basket),
  });
  return { status: reply.status, body: await reply.json() };
}
