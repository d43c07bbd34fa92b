import { type BasketOfferDocument, isBuyAndGet, isRewardUnit } from '../../../core/sentence/index.ts';
import { BreakPanel } from './break-panel.tsx';
import { ComboPanel } from './combo-panel.tsx';
import { DeliveryPanel } from './delivery-panel.tsx';
import { FreePanel } from './free-panel.tsx';
import { BundlePanel, BuyAndGetPanel, RewardUnitPanel } from './mix-panel.tsx';
import type { PanelProps } from './panel-props.ts';
import { RewardPanel } from './reward-panel.tsx';

/** The control by which a part of a deal's words is changed. */
export function DealPanel({ offer, ...rest }: PanelProps<BasketOfferDocument>) {
  switch (offer.kind) {
    case 'quantityBreak':
      return <BreakPanel offer={offer} {...rest} />;
    case 'mixAndMatch':
      if (isBuyAndGet(offer)) return <BuyAndGetPanel offer={offer} {...rest} />;
      return isRewardUnit(offer) ? (
        <RewardUnitPanel offer={offer} {...rest} />
      ) : (
        <BundlePanel offer={offer} {...rest} />
      );
    case 'combo':
      return <ComboPanel offer={offer} {...rest} />;
    case 'freeGoods':
      return <FreePanel offer={offer} {...rest} />;
    case 'basketReward':
      return <RewardPanel offer={offer} {...rest} />;
    case 'deliveryReward':
      return <DeliveryPanel offer={offer} {...rest} />;
  }
}
