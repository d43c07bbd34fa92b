import type { Person, SentByItself, WhyLeft } from '../../contracts/index.ts';
import { type Instant, lastAt, parseTimeOfDay, zoneClock } from '../../core/calendar/index.ts';
import type { FindingCode } from '../../core/overlaps/index.ts';
import { isEmpty } from '../../core/price-file/index.ts';
import { actingInFailing, lookAtFindings, lookAtKeptLoopholes } from '../check/index.ts';
import type {
  BasketCheckStore,
  FindingStore,
  HeldBackStore,
  LoopholeStore,
  PlanBook,
  PriceFileMaker,
  SendingHourStore,
  SendingStore,
} from '../ports/index.ts';
import { sendStores } from './send-stores.ts';
import { type StoreToSend, storesToSend } from './store-comparison.ts';

interface Ports {
  readonly book: PlanBook;
  readonly sending: SendingStore;
  readonly heldBack: HeldBackStore;
  readonly hour: SendingHourStore;
  readonly findings: FindingStore;
  readonly loopholes: LoopholeStore;
  readonly checks: BasketCheckStore;
  readonly maker: PriceFileMaker;
}

/** A price that is wrong, costs the chain money or may not be said: somebody has to look at it before it goes out. */
const GRAVE: readonly FindingCode[] = [
  'below-cost',
  'below-floor',
  'worse-than-shelf',
  'raises-price',
  'reduced-before',
];

/** Nobody in particular, who sees all of the chain. */
const BY_ITSELF: Person = {
  ...{ id: 'by-itself', name: 'Bell Tag', email: '' },
  ...{ role: 'administrator', costs: true, stores: null },
};

/**
 * Sends what is approved where its hour has come, once for each day: all but what is held back and what something grave
 * was found about. What was due while no server was there is done as soon as one is. Done twice, it changes nothing.
 * @returns what came of it; null where nothing is due.
 */
export async function sendByItself(ports: Ports, now: Instant): Promise<SentByItself | null> {
  const { hour, doneUntil } = await ports.hour.current();
  if (!hour) return null;
  const due = lastAt(parseTimeOfDay(hour.time)!, zoneClock(hour.timeZone), now);
  if (due <= doneUntil) return null;
  const result = await sendSound(ports, now);
  await ports.hour.done(result);
  return result;
}

async function sendSound(ports: Ports, now: Instant): Promise<SentByItself> {
  const current = await ports.book.current();
  const held = (await ports.heldBack.all()).map(({ promotion }) => promotion);
  const compared = (without: readonly string[]) =>
    storesToSend(current, ports.sending, new Set([...held, ...without]), now).then((all) =>
      all.filter(({ difference }) => !isEmpty(difference)),
    );
  const left = await graveAmong(await compared([]), ports, now);
  const open = await compared(left.map(({ promotion }) => promotion));
  const at = new Date(now).toISOString();
  if (open.length === 0) return { at, rollout: null, stores: 0, left };
  const sent = await sendStores(ports, {
    ...{ person: BY_ITSELF.id, reason: 'sent by itself', version: current.version, chosen: open, now },
    held: [...held, ...left.map(({ promotion }) => promotion)],
  });
  return { at, ...sent, left };
}

/** Of what would come new or change, what something grave was found about that nobody has accepted. */
async function graveAmong(
  open: readonly StoreToSend[],
  ports: Ports,
  now: Instant,
): Promise<SentByItself['left']> {
  const going = new Set(
    open.flatMap(({ difference: { promotions } }) => [...promotions.added, ...promotions.changed]),
  );
  if (going.size === 0) return [];
  const why = new Map<string, WhyLeft>();
  const note = (promotions: readonly { readonly id: string }[], code: WhyLeft) => {
    for (const { id } of promotions) if (going.has(id) && !why.has(id)) why.set(id, code);
  };
  const { open: found } = await lookAtFindings(ports, BY_ITSELF, now);
  for (const { code, promotions } of found) if (GRAVE.includes(code)) note(promotions, code);
  const losing = await lookAtKeptLoopholes(ports, BY_ITSELF, now);
  if (losing.ok)
    for (const { loophole } of losing.value.found ?? []) note(loophole.promotions, 'loses-money');
  note(
    [...(await actingInFailing(ports, now))].map((id) => ({ id })),
    'kept-basket',
  );
  return [...why].map(([promotion, code]) => ({ promotion, why: code }));
}
