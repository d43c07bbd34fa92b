import type { Choices } from '../../contracts/view/index.ts';
import type { WhoDocument } from '../../core/plan/index.ts';
import { laterPart, WhenUsed } from '../../ui/pieces/index.ts';

const NAMED = laterPart(() => import('./named-shoppers.tsx').then(({ NamedShoppers }) => NamedShoppers));

/** Everyone, or some kinds of shopper. */
export function WhoPart({
  who,
  choices,
  onChange,
}: {
  who: WhoDocument | undefined;
  choices: Choices;
  onChange: (who: WhoDocument | undefined) => void;
}) {
  const groups = who?.groups ?? [];
  const put = (next: WhoDocument) => {
    const { groups: chosen = [], shoppers = [], guests, ...rest } = next;
    const whole = {
      ...rest,
      ...(chosen.length > 0 ? { groups: chosen } : {}),
      ...(shoppers.length > 0 ? { shoppers } : {}),
      ...(guests ? { guests } : {}),
    };
    onChange(Object.keys(whole).length === 0 ? undefined : whole);
  };
  return (
    <span className="block space-y-1 text-sm">
      <label className="flex items-center gap-2">
        <input
          type="radio"
          name="who"
          className="radio"
          checked={!who}
          onChange={() => onChange(undefined)}
        />
        All shoppers
      </label>
      <span className="quiet block pt-1">or any of these:</span>
      {choices.shopperGroups.map(({ id, name }) => (
        <label key={id} className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox"
            checked={groups.includes(id)}
            onChange={(event) =>
              put({
                ...who,
                groups: event.target.checked ? [...groups, id] : groups.filter((one) => one !== id),
              })
            }
          />
          {name}
        </label>
      ))}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={who?.guests === true}
          onChange={(event) => put({ ...who, guests: event.target.checked })}
        />
        Guests, known to nobody
      </label>
      <WhenUsed
        part={NAMED}
        given={{
          chosen: who?.shoppers ?? [],
          choices,
          onChange: (shoppers) => put({ ...who, shoppers }),
        }}
      />
    </span>
  );
}
