import {
  type BasketOfferDocument,
  type BasketOfferKind,
  kindOf,
  type OfferDocuments,
} from '../../core/plan/index.ts';
import { BreakPanel } from './break-panel.tsx';
import { comboInEditor } from './combo-panel.tsx';
import { deliveryInEditor } from './delivery-panel.tsx';
import { freeGoodsInEditor } from './free-panel.tsx';
import type { KindInEditor } from './kind-in-editor.ts';
import { BundlePanel, buyAndGetInEditor, RewardUnitPanel } from './mix-panel.tsx';
import { rewardInEditor } from './reward-panel.tsx';
import { TierCard } from './tier-card.tsx';

/** Every kind of deal over the basket, as the editor knows it. */
const KINDS: { readonly [K in BasketOfferKind]: KindInEditor<OfferDocuments[K]> } = {
  quantityBreak: { Panel: BreakPanel, ShelfCard: TierCard },
  bundle: { Panel: BundlePanel },
  rewardUnit: { Panel: RewardUnitPanel },
  buyAndGet: buyAndGetInEditor,
  combo: comboInEditor,
  freeGoods: freeGoodsInEditor,
  basketReward: rewardInEditor,
  deliveryReward: deliveryInEditor,
};

export const inEditor = (offer: BasketOfferDocument): KindInEditor<BasketOfferDocument> =>
  KINDS[kindOf(offer)];
