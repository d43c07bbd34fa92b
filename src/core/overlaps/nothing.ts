import type { ItemSelection } from '../selection/index.ts';
import type { Finding } from './finding.ts';
import { daysOf, isChange, type Looked, type Scope, wholeOf } from './scope.ts';
import { soldOf } from './selected.ts';

export const partsOf = (looked: Looked): readonly ItemSelection[] =>
  isChange(looked) ? [looked.selection()] : looked.parts();

/**
 * `nothing-selected`: its stores are empty, or the goods of a part of it. `nothing-carried`: no store of it sells any of
 * its goods. `never-reached`: the same of a part alone, so that it is never complete.
 */
export function nothingThere(scope: Scope, looked: Looked): Finding[] {
  const { id } = looked.promotion;
  const whole = wholeOf(scope, looked);
  const parts = partsOf(looked);
  const empty = parts.map((part) => part.numbers()?.length === 0);
  if (whole.stores.length === 0 || empty.some(Boolean))
    return [{ code: 'nothing-selected', promotions: [id], ...whole }];
  const missing = parts.flatMap((part, at) => (isSoldAnywhere(scope, looked, part) ? [] : [at]));
  if (missing.length === 0) return [];
  if (missing.length === parts.length) return [{ code: 'nothing-carried', promotions: [id], ...whole }];
  return missing.map((at) => ({
    ...{ code: 'never-reached', promotions: [id], ...whole },
    part: { kind: 'part', at },
  }));
}

function isSoldAnywhere(scope: Scope, looked: Looked, part: ItemSelection): boolean {
  return scope
    .placesOf(looked)
    .some(({ site }) =>
      daysOf(scope, site, scope.spansOf(looked.promotion, site)).some(
        (day) => soldOf(scope.compiled, part, site, day).size > 0,
      ),
    );
}
