import {
  type CodeBatchRequest,
  done,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { dayOf, formatLocalDate, parseLocalDate, type WallTime } from '../../core/calendar/index.ts';
import { lookAlikesIn, patternSize } from '../../core/codes/index.ts';
import type { Fault } from '../../core/plan/index.ts';
import { foreignTo } from '../plan/index.ts';
import type { CodeStore, PlanBook, PromotionStore, StoredPromotion } from '../ports/index.ts';

type Ports = { book: PlanBook; promotions: PromotionStore; codes: CodeStore };

/** Codes of the house are tried by a few people. */
const MOST_TEST_CODES = 20;

/**
 * Asks for a batch of single-use codes of a promotion; they are made beside.
 * @param today by the calendar of who asks.
 */
export async function makeCodeBatch(
  ports: Ports,
  person: Person,
  id: string,
  request: CodeBatchRequest,
  clock: { readonly today: WallTime; readonly now: Date },
): Promise<Outcome<{ id: number }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  const found = await ports.promotions.find(id);
  if (!found) return failed({ kind: 'not-found', what: `promotion ${id}` });
  const foreign = await foreignTo(ports, person, found);
  if (foreign) return foreign;
  const others = await ports.codes.batches(id);
  const given = others.reduce((sum, batch) => sum + (batch.test ? 0 : batch.wanted), 0);
  const faults = [
    ...promotionFaults(found),
    ...patternFaults(request, given),
    ...dayFaults(request, formatLocalDate(dayOf(clock.today))),
  ];
  if (faults.length > 0) return failed({ kind: 'invalid', faults });
  const { pattern, count, from, to, test } = request;
  const wanted = { promotion: id, pattern, wanted: count, fromDay: from, toDay: to, test };
  const deed = { person: person.id, action: `${count} ${test ? 'test codes' : 'codes'} asked for` };
  return done({ id: await ports.codes.begin(wanted, clock.now, deed) });
}

function promotionFaults({ promotion, proposal }: StoredPromotion): Fault[] {
  if (promotion.status === 'archived')
    return [
      {
        path: [],
        what: `“${promotion.name}” is put away, and nobody could use its codes`,
        wanted: 'a promotion that is planned, approved or paused',
      },
    ];
  if (promotion.codeBatches || proposal?.document?.codeBatches) return [];
  return [
    {
      path: [],
      what: `“${promotion.name}” does not ask for codes of batches, and would be given without one`,
      wanted: 'a promotion that does: tick it under “codes, and how often”, and save',
    },
  ];
}

/** What is wrong with a pattern, or with how many codes it is to give. @param given codes that there are already. */
export function patternFaults({ count, pattern, test }: CodeBatchRequest, given: number): Fault[] {
  const faults: Fault[] = [];
  for (const part of ['prefix', 'suffix'] as const) {
    const alike = lookAlikesIn(pattern[part]);
    if (alike.length > 0)
      faults.push({
        path: ['pattern', part],
        what: `“${alike.join('”, “')}” ${alike.length > 1 ? 'are' : 'is'} easily taken for another sign`,
        wanted: 'none of 0 O, 1 I L, 2 Z, 5 S, 8 B',
      });
  }
  if (pattern.dashEvery !== null && pattern.dashEvery >= pattern.length)
    faults.push({
      path: ['pattern', 'dashEvery'],
      what: `no dash would stand in ${pattern.length} signs`,
      wanted: `fewer than ${pattern.length}, or none`,
    });
  const size = patternSize(pattern);
  if (BigInt(count + given) * 2n > size)
    faults.push({
      path: ['count'],
      what: `the pattern gives ${size} codes${given > 0 ? `, and ${given} are made already` : ''}; of ${count + given} more than every second guess would hit`,
      wanted: `at most ${size / 2n - BigInt(given) > 0n ? size / 2n - BigInt(given) : 0n}, or longer codes`,
    });
  if (test && count > MOST_TEST_CODES)
    faults.push({ path: ['count'], what: `${count} test codes`, wanted: `at most ${MOST_TEST_CODES}` });
  return faults;
}

/** What is wrong with the days on which codes are to be good. */
export function dayFaults(
  { from, to, test }: Pick<CodeBatchRequest, 'from' | 'to' | 'test'>,
  today: string,
): Fault[] {
  if (test && to === null)
    return [
      {
        path: ['to'],
        what: 'a test code without an end',
        wanted: 'a last day: whoever finds it gets the price',
      },
    ];
  if (to === null) return [];
  if (from !== null && parseLocalDate(from)! > parseLocalDate(to)!)
    return [{ path: ['to'], what: `it lies before ${from}`, wanted: 'a last day on or after the first' }];
  return to < today ? [{ path: ['to'], what: `${to} is over`, wanted: 'today or later' }] : [];
}
