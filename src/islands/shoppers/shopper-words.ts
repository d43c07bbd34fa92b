import type { FoundShopper } from '../../contracts/view/index.ts';

/** What somebody is called in a list. */
export const calledWords = ({ id, kind, name }: Pick<FoundShopper, 'id' | 'kind' | 'name'>): string =>
  name ?? (kind === 'account' ? `Account ${id}` : `Number ${id}`);

/** Kinds and account in a few words. */
export function kindWords({
  groups,
  account,
  kind,
}: Pick<FoundShopper, 'groups' | 'account' | 'kind'>): string {
  const parts = [
    ...(kind === 'account' ? ['an account'] : []),
    ...groups,
    ...(account ? [`of ${account.name}`] : []),
  ];
  return parts.join(', ') || 'of no kind';
}
