import { saidAmount } from '../writing/index.ts';
/** A price. One that a promotion made stands in a tag, with the former price beside it. */
export function PriceTag({
  price,
  former,
  promoted,
}: {
  price: string;
  former?: string | null;
  promoted: boolean;
}) {
  if (!promoted) return <span className="price-tag-plain">{saidAmount(price)}</span>;
  return (
    <span className="inline-flex items-baseline gap-2">
      {former && former !== price ? (
        <s className="former">
          <span className="sr-only">was </span>
          {saidAmount(former)}
        </s>
      ) : null}
      <span className="price-tag">{saidAmount(price)}</span>
    </span>
  );
}
