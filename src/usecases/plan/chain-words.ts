import {
  type ChainWords,
  type ChainWordsRequest,
  failed,
  may,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { waysNamedBy } from '../../core/offer/index.ts';
import type { ConditionsDocument, PlanDocument } from '../../core/plan/index.ts';
import { settled } from '../people/index.ts';
import type { ChainWordsStore } from '../ports/index.ts';

/** Says which words there are, where nobody else changed the same ones since; what promotions ask for stays a choice. */
export async function setChainWords(
  ports: { words: ChainWordsStore },
  person: Person,
  { was, ...asked }: ChainWordsRequest,
): Promise<Outcome<ChainWords>> {
  if (!may(person, 'administer')) return failed({ kind: 'forbidden' });
  const kept = settled<ChainWords>(was, asked);
  await ports.words.change((standing) => kept.by(standing), person.id);
  return kept.outcome();
}

/** What a condition or a trial basket can name: what the chain keeps, what promotions ask for, the stores' regions. */
export function knownWords(kept: ChainWords, { promotions, stores }: PlanDocument): ChainWords {
  const asked = promotions.map(conditionsOf);
  const all = (key: keyof ChainWords, more: readonly string[] = []) => [
    ...new Set([...kept[key], ...asked.flatMap((one) => one[key] ?? []), ...more]),
  ];
  const ways = promotions.flatMap(({ offer }) => waysNamedBy(offer));
  return {
    payments: all('payments'),
    deliveries: all('deliveries', ways),
    regions: all(
      'regions',
      stores.flatMap(({ region }) => region ?? []),
    ),
    linkTags: all('linkTags'),
  };
}

const conditionsOf = ({ offer }: PlanDocument['promotions'][number]): ConditionsDocument =>
  'conditions' in offer ? (offer.conditions ?? {}) : {};
