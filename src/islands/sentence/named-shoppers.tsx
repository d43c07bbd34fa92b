import { useQuery } from '@tanstack/react-query';
import { idInAddress } from '../../contracts/index.ts';
import type { Choices, FoundShopper, ShopperView } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, refusalWords, useDoing } from '../server/index.ts';
import { calledWords, PickShopper } from '../shoppers/index.ts';

/** Single shoppers and accounts that a promotion is for. Whom the plan does not know yet it is told of when they are chosen. */
export function NamedShoppers({
  chosen,
  choices,
  onChange,
}: {
  chosen: readonly string[];
  choices: Choices;
  onChange: (chosen: string[]) => void;
}) {
  const { refusal, doing } = useDoing(['choices']);
  const known = new Map(choices.shoppers.map(({ id, name }) => [id, name]));
  const add = ({ id }: FoundShopper) =>
    doing(async () => {
      const terms = { account: null, priceList: null };
      if (!known.has(id))
        await ask(`/api/shoppers/${idInAddress(id)}/terms`, { method: 'POST', body: terms });
      onChange([...new Set([...chosen, id])]);
      return '';
    });
  return (
    <span className="block pt-1">
      <span className="quiet block">or single ones, by name:</span>
      {chosen.map((id) => (
        <span key={id} className="flex items-baseline justify-between gap-3 leading-7">
          <Called id={id} name={known.get(id) ?? null} looksUp={choices.findsShoppers} />
          <button
            type="button"
            className="link"
            onClick={() => onChange(chosen.filter((one) => one !== id))}
            aria-label={`Leave out ${known.get(id) ?? `number ${id}`}`}
          >
            Leave out
          </button>
        </span>
      ))}
      {choices.findsShoppers ? <PickShopper onPick={add} /> : null}
      {refusal ? <Notice tone="trouble">{refusalWords(refusal)}</Notice> : null}
    </span>
  );
}

/** An account by its name; somebody by theirs, where who looks may know it. */
function Called({ id, name, looksUp }: { id: string; name: string | null; looksUp: boolean }) {
  const { data } = useQuery({
    queryKey: ['shoppers', id],
    queryFn: () => ask<ShopperView>(`/api/shoppers/${idInAddress(id)}`),
    enabled: name === null && looksUp,
    staleTime: 300_000,
  });
  return <span>{name ?? (data ? `${calledWords(data)} (${id})` : `number ${id}`)}</span>;
}
