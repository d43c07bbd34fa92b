import type { Choices } from '../../contracts/view/index.ts';
import type { ItemRule, StoreRule } from '../../core/plan/index.ts';
import type { Pickable } from '../../ui/pieces/index.ts';
import { zoneWords } from '../../ui/writing/index.ts';

/** What can be chosen, each with the rule that it stands for. */
export interface RuleChoice extends Pickable {
  readonly rule: ItemRule | StoreRule;
}

/** Everything that goods can be chosen by, the hierarchy first. */
export function goodsChoices(
  choices: Choices,
  found: readonly { sku: string; name: string }[],
): RuleChoice[] {
  const names = new Map(choices.nodes.map(({ id, name }) => [id, name]));
  return [
    ...choices.nodes.map(({ id, name, parent }) => ({
      value: `node ${id}`,
      label: name,
      note: parent === undefined ? 'department' : names.get(parent),
      kind: 'Hierarchy',
      rule: { node: id },
    })),
    ...choices.itemSets.map(({ id, name }) => ({
      value: `set ${id}`,
      label: name,
      kind: 'Sets',
      rule: { set: id },
    })),
    ...choices.brands.map((brand) => ({
      value: `brand ${brand}`,
      label: brand,
      kind: 'Brands',
      rule: { brand },
    })),
    ...choices.itemTags.map((tag) => ({ value: `tag ${tag}`, label: tag, kind: 'Tags', rule: { tag } })),
    ...choices.attributes.flatMap(({ name, values }) =>
      values.map((value) => ({
        value: `attribute ${name} ${value}`,
        label: value,
        note: name,
        kind: 'Attributes',
        rule: { attribute: name, in: [value] },
      })),
    ),
    ...found.map(({ sku, name }) => ({
      value: `item ${sku}`,
      label: name,
      note: sku,
      kind: 'Single items',
      rule: { items: [sku] },
    })),
  ];
}

export function storeChoices(choices: Choices): RuleChoice[] {
  const values = (all: (string | undefined)[]) => [...new Set(all.flatMap((one) => one ?? []))].sort();
  const regions = values(choices.stores.map(({ region }) => region));
  const tags = values(choices.stores.flatMap((store) => store.tags ?? []));
  return [
    ...choices.storeGroups.map(({ id, name }) => ({
      value: `group ${id}`,
      label: name,
      kind: 'Store groups',
      rule: { group: id },
    })),
    ...choices.zones.map(({ id, name }) => ({
      value: `zone ${id}`,
      label: name,
      kind: 'Price zones',
      rule: { zone: id },
    })),
    ...regions.map((region) => ({
      value: `region ${region}`,
      label: region,
      kind: 'Regions',
      rule: { region },
    })),
    ...tags.map((tag) => ({ value: `tag ${tag}`, label: tag, kind: 'Tags', rule: { tag } })),
    ...choices.stores.map(({ id, name, timeZone }) => ({
      value: `store ${id}`,
      label: name,
      note: zoneWords(timeZone),
      kind: 'Single stores',
      rule: { stores: [id] },
    })),
  ];
}
