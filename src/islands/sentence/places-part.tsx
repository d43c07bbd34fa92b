import type { Choices } from '../../contracts/view/index.ts';
import { type Pickable, PickList } from '../../ui/pieces/index.ts';
import type { Draft } from '../draft/draft.ts';

const toggled = (list: readonly string[] | undefined, value: string): string[] | undefined => {
  const next = list?.includes(value) ? list.filter((one) => one !== value) : [...(list ?? []), value];
  return next.length === 0 ? undefined : next;
};

/** Nothing chosen says nothing: an empty list would count nowhere. */
function withList(draft: Draft, key: 'channels' | 'terminals', list: string[] | undefined): Draft {
  const { [key]: _, ...rest } = draft;
  return (list ? { ...rest, [key]: list } : rest) as Draft;
}

/** Only some channels, or only some terminals by name or tag. */
export function PlacesPart({
  draft,
  choices,
  onChange,
}: {
  draft: Draft;
  choices: Choices;
  onChange: (draft: Draft) => void;
}) {
  const options: Pickable[] = [
    ...choices.terminalTags.map((tag) => ({ value: tag, label: tag, note: 'tag', kind: 'Terminals by tag' })),
    ...choices.terminalIds.map((id) => ({ value: id, label: id, kind: 'Single terminals' })),
  ];
  return (
    <span className="block space-y-3 text-sm">
      <fieldset>
        <legend className="mb-1">Only in these channels; none chosen means all</legend>
        {choices.channels.map((channel) => (
          <label key={channel} className="mr-4 inline-flex items-center gap-2">
            <input
              type="checkbox"
              className="checkbox"
              checked={draft.channels?.includes(channel) ?? false}
              onChange={() => onChange(withList(draft, 'channels', toggled(draft.channels, channel)))}
            />
            {channel}
          </label>
        ))}
      </fieldset>
      <span className="block">
        <span className="mb-1 block">Only at these terminals; none chosen means all</span>
        <PickList
          name="Terminals"
          options={options}
          chosen={draft.terminals ?? []}
          onPick={(value) => onChange(withList(draft, 'terminals', toggled(draft.terminals, value)))}
        />
      </span>
    </span>
  );
}
