import type { ComparedView, SumsView } from '../../contracts/view/index.ts';
import { saidAmount, saidCount } from '../../ui/writing/index.ts';

/** Heads of the figures that are compared, three or, without margins, two. */
export const ComparedHeads = ({ margins }: { margins: boolean }) => (
  <>
    <th className="figure">Units</th>
    <th className="figure">Takings</th>
    {margins ? <th className="figure">Margin</th> : null}
  </>
);

/** Figures without and with, side by side. */
export const ComparedFigures = ({
  of: { without, with: during },
  margins,
}: {
  of: ComparedView;
  margins: boolean;
}) => (
  <>
    <Pair was={unitsOf(without)} now={unitsOf(during)} />
    <Pair was={without.takings} now={during.takings} />
    {margins ? <Pair was={without.margin ?? '0'} now={during.margin ?? '0'} /> : null}
  </>
);

const unitsOf = ({ units }: SumsView): string => units.toFixed(1);

/** From here on parts of a unit of money, or of a good, only stand in the way of an estimate. */
const LARGE = 1_000;

/** An estimate as it is read. */
export const saidEstimate = (amount: string | number): string => {
  const value = Number(amount);
  if (Math.abs(value) >= LARGE) return saidCount(Math.round(value));
  return saidAmount(typeof amount === 'string' ? amount : value.toFixed(2));
};

function Pair({ was, now }: { was: string; now: string }) {
  const less = Number(now) < Number(was);
  return (
    <td className="figure whitespace-nowrap">
      {was === now ? (
        saidEstimate(now)
      ) : (
        <>
          <span className="quiet">{saidEstimate(was)}</span> {less ? '↘' : '↗'} {saidEstimate(now)}
        </>
      )}
    </td>
  );
}
