import { as } from './client.ts';
import { askTill } from './till.ts';
import { until } from './until.ts';

/** Sends what is approved to some stores, and waits until these tills hold it. */
export async function sendTo(stores: readonly string[], tills: readonly string[]): Promise<void> {
  const rufus = await as('rufus');
  const { planVersion } = (await rufus.get('/api/send/review')).body;
  const { rollout } = (await rufus.send('POST', '/api/send', { planVersion, stores })).body;
  for (const till of tills)
    await until(
      () => askTill(till),
      ({ holds }) => holds === rollout,
    );
}
