import {
  type AllCodesView,
  done,
  type EndingCodes,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { dayNumber, dayOf, formatLocalDate, type Instant, type WallTime } from '../../core/calendar/index.ts';
import { todayIn } from '../check/index.ts';
import { seenBy } from '../people/index.ts';
import type { CodeBatchState, CodeStore, CurrentPlan, PlanBook } from '../ports/index.ts';
import { batchView } from './look-at-batches.ts';
import { triedCodes } from './tried-codes.ts';

type Ports = { book: PlanBook; codes: CodeStore };

/** Every batch of codes that concerns this person, the newest first, and where codes are guessed. */
export async function lookAtAllCodes(
  ports: Ports,
  person: Person,
  now: Instant,
): Promise<Outcome<AllCodesView>> {
  if (!may(person, 'see')) return failed({ kind: 'forbidden' });
  const current = await seenBy(ports.book, person);
  const { currency } = current.compiled.plan;
  return done({
    currency: currency.code,
    batches: (await theirs(ports, person, current)).map(({ batch, promotion, end }) => ({
      ...batchView(batch, currency),
      promotion,
      end: end === null ? null : end.slice(0, 10),
    })),
    tried: await triedCodes(ports, person, current.compiled, now),
    today: formatLocalDate(dayOf(todayIn(current.compiled, now))),
  });
}

/** Days ahead in which an end is near. */
const AHEAD = 14;

/** Batches that end soon with most of their codes unused. */
export async function endingCodes(
  ports: Pick<Ports, 'codes'>,
  person: Person,
  current: CurrentPlan,
  from: WallTime,
): Promise<readonly EndingCodes[]> {
  const today = formatLocalDate(dayOf(from));
  const last = formatLocalDate(dayNumber(dayOf(from) + AHEAD));
  return (await theirs(ports, person, current))
    .flatMap(({ batch, promotion, end }) => {
      const { id, test, made, used, withdrawn, withdrawnAt } = batch;
      const unused = made - used - withdrawn;
      if (test || withdrawnAt !== null || end === null || end < today || end > last || unused * 2 <= made)
        return [];
      return [{ batch: id, promotion, made, unused, end }];
    })
    .toSorted((a, b) => (a.end < b.end ? -1 : 1));
}

/** Batches of promotions that this person sees; of promotions that are gone, those of the whole chain see them. */
async function theirs(
  { codes }: Pick<Ports, 'codes'>,
  person: Person,
  { document }: CurrentPlan,
): Promise<{ batch: CodeBatchState; promotion: { id: string; name: string }; end: string | null }[]> {
  const seen = new Map(document.promotions.map((one) => [one.id, one]));
  return (await codes.batches(null)).flatMap((batch) => {
    const promotion = seen.get(batch.promotion);
    if (!promotion && person.stores !== null) return [];
    const ends = [batch.toDay, promotion?.when.to ?? null].filter((end) => end !== null);
    return [
      {
        batch,
        promotion: { id: batch.promotion, name: promotion?.name ?? batch.promotion },
        // A day is over later than a moment of it.
        end: ends.length === 0 ? null : ends.reduce((a, b) => (a.slice(0, 10) <= b.slice(0, 10) ? a : b)),
      },
    ];
  });
}
