import type { StandingChange } from '../../contracts/index.ts';
import type { OrderedPromotion, OrderView } from '../../contracts/view/index.ts';
import { type Combining, otherwise } from '../../core/combining/index.ts';
import { movedTo } from '../../core/priorities/index.ts';

export interface OrderDesk {
  /** As they stand in the plan, and as they are written here. */
  readonly were: OrderView;
  readonly are: OrderView;
  /** The one that is held, and what there was when it was taken. */
  readonly held: { readonly id: string; readonly before: OrderView } | null;
  readonly saving: 'no' | 'saving' | { readonly refused: string } | { readonly saved: string };
}

export type OrderEvent =
  | { readonly type: 'came'; readonly view: OrderView }
  | { readonly type: 'moved'; readonly id: string; readonly place: number }
  | { readonly type: 'took'; readonly id: string }
  | { readonly type: 'let-go' }
  | { readonly type: 'put-back' }
  | { readonly type: 'toggled'; readonly one: string; readonly other: string }
  | { readonly type: 'put-aside' }
  | { readonly type: 'saving' }
  | { readonly type: 'saved'; readonly words: string }
  | { readonly type: 'refused'; readonly words: string };

export const orderDesk = (view: OrderView): OrderDesk => ({
  were: view,
  are: view,
  held: null,
  saving: 'no',
});

export function orderAfter(desk: OrderDesk, event: OrderEvent): OrderDesk {
  const { are, held } = desk;
  switch (event.type) {
    case 'came':
      return { ...orderDesk(event.view), saving: desk.saving };
    case 'moved': {
      // However it got there, it is moved once, from where it was taken.
      const from = held?.id === event.id ? held.before : are;
      return {
        ...desk,
        are: { ...are, promotions: movedTo(from.promotions, event.id, event.place) },
        saving: 'no',
      };
    }
    case 'took':
      return { ...desk, held: { id: event.id, before: are } };
    case 'let-go':
      return { ...desk, held: null };
    case 'put-back':
      return held ? { ...desk, are: held.before, held: null } : desk;
    case 'toggled':
      return { ...desk, are: toggled(are, event.one, event.other), saving: 'no' };
    case 'put-aside':
      return orderDesk(desk.were);
    case 'saving':
      return { ...desk, saving: 'saving' };
    case 'saved':
      return { ...desk, saving: { saved: event.words } };
    case 'refused':
      return { ...desk, saving: { refused: event.words } };
  }
}

function toggled(view: OrderView, one: string, other: string): OrderView {
  const of = (id: string) => view.promotions.find((promotion) => promotion.id === id);
  const [a, b] = [of(one), of(other)];
  const changed = a && b ? otherwise(a, b, [...view.promotions, ...view.rewards]) : null;
  if (!changed) return view;
  const next = new Map(changed.map((promotion) => [promotion.id, promotion]));
  return {
    ...view,
    promotions: view.promotions.map((promotion) => written(promotion, next.get(promotion.id))),
  };
}

function written(promotion: OrderedPromotion, next: Combining | undefined): OrderedPromotion {
  if (!next) return promotion;
  const { alone: _, startsFrom: __, ...rest } = promotion;
  return {
    ...rest,
    offer: next.offer,
    ...(next.alone ? { alone: true } : {}),
    ...(next.startsFrom ? { startsFrom: next.startsFrom } : {}),
  };
}

const beside = ({ offer }: OrderedPromotion): StandingChange['combinesWith'] =>
  'combinesWith' in offer && offer.combinesWith !== undefined ? offer.combinesWith : 'all';

/** What is to be written of what is said here, by promotion. */
export function changesOf({ were, are }: Pick<OrderDesk, 'were' | 'are'>): StandingChange[] {
  const before = new Map(were.promotions.map((promotion) => [promotion.id, promotion]));
  return are.promotions.flatMap((promotion): StandingChange[] => {
    const was = before.get(promotion.id)!;
    const change: StandingChange = {
      id: promotion.id,
      ...(was.priority === promotion.priority ? {} : { priority: promotion.priority }),
      ...((was.alone ?? false) === (promotion.alone ?? false) ? {} : { alone: promotion.alone ?? false }),
      ...((was.startsFrom ?? 'tag') === (promotion.startsFrom ?? 'tag')
        ? {}
        : { startsFrom: promotion.startsFrom ?? 'tag' }),
      ...(JSON.stringify(beside(was)) === JSON.stringify(beside(promotion))
        ? {}
        : { combinesWith: beside(promotion) }),
    };
    return Object.keys(change).length > 1 ? [change] : [];
  });
}

/** Where a key leads: the place of the one that is held, or of the one that is to be looked at. */
export function placeBy(key: string, place: number, count: number): number | null {
  const to = { ArrowUp: place - 1, ArrowDown: place + 1, Home: 0, End: count - 1 }[key];
  return to === undefined ? null : Math.max(0, Math.min(count - 1, to));
}
