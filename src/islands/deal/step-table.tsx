import { Fragment } from 'react';
import type { DealPreview, DealStepView } from '../../contracts/view/index.ts';
import { PriceTag } from '../../ui/pieces/index.ts';
import { saidAmount, saidPercent, saidTimes } from '../../ui/writing/index.ts';

const PICK_WORDS = {
  cheapest: 'the cheapest',
  middle: 'ordinary ones',
  dearest: 'the dearest',
  mixed: 'dear and cheap mixed',
} as const;

/** What the deal makes of sample baskets, with the margin at each; pressing one rings it below. */
export function StepTable({
  preview: { steps, names },
  chosen,
  onChoose,
}: {
  preview: DealPreview;
  chosen: number | null;
  onChoose: (at: number) => void;
}) {
  if (steps.length === 0) return null;
  // What delivery costs the chain is not known here: there is no margin to tell.
  const ofDelivery = steps.every(({ delivery }) => delivery !== null);
  return (
    <table className="rows mt-3 text-sm">
      <caption className="sr-only">What shoppers pay, step by step, with this deal alone</caption>
      <thead>
        <tr>
          <th>Who buys</th>
          <th className="figure">{ofDelivery ? 'Pays for delivery' : 'Pays'}</th>
          {ofDelivery ? null : (
            <>
              <th className="figure">Margin</th>
              <th
                className="figure max-sm:hidden"
                title="How many times as many such baskets must be sold to earn the same as before"
              >
                Break-even
              </th>
            </>
          )}
        </tr>
      </thead>
      <tbody>
        {steps.map((step, i) => (
          <Fragment
            key={`${step.pick} ${step.lines.map(({ sku, quantity }) => `${quantity} ${sku}`).join()}`}
          >
            <tr aria-current={chosen === i ? 'true' : undefined}>
              <td>
                <button type="button" className="text-left hover:underline" onClick={() => onChoose(i)}>
                  {goodsWords(step, names)}
                  <span className="sr-only">: ring it</span>
                </button>
                <Split step={step} names={names} />
              </td>
              <td className="figure">
                {step.delivery ? (
                  <PriceTag
                    price={step.delivery.after}
                    former={step.delivery.before}
                    promoted={step.delivery.after !== step.delivery.before}
                  />
                ) : (
                  <PriceTag price={step.after} former={step.before} promoted={step.after !== step.before} />
                )}
              </td>
              {ofDelivery ? null : (
                <>
                  <td className={`figure ${(step.marginAfter ?? 0) < 0 ? 'text-error' : ''}`}>
                    <Margin step={step} />
                  </td>
                  <td className="figure max-sm:hidden">{breakEvenWords(step)}</td>
                </>
              )}
            </tr>
          </Fragment>
        ))}
      </tbody>
    </table>
  );
}

/** "3 × Sun milk", or "the dearest: 2 × A, 1 × B" where it was picked by price. */
function goodsWords({ pick, lines }: DealStepView, names: Readonly<Record<string, string>>): string {
  const goods = lines.map(({ sku, quantity }) => `${quantity} × ${names[sku] ?? sku}`).join(', ');
  return lines.length > 3
    ? `${lines.reduce((sum, { quantity }) => sum + quantity, 0)} of ${PICK_WORDS[pick]}`
    : goods;
}

/** So many units are told one by one. */
const ONE_BY_ONE = 4;

/** "3.66 + 3.67 + 3.67"; of more units how many of each: "4 × 4.58 + 4 × 4.59". */
function sumWords(paid: readonly string[]): string {
  if (paid.length <= ONE_BY_ONE) return paid.map(saidAmount).join(' + ');
  const counts = new Map<string, number>();
  for (const one of paid) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts]
    .map(([one, count]) => (count === 1 ? saidAmount(one) : `${count} × ${saidAmount(one)}`))
    .join(' + ');
}

/** What each unit comes to, where the deal does not make all of them alike. */
function Split({
  step: { split, after, before },
  names,
}: {
  step: DealStepView;
  names: Readonly<Record<string, string>>;
}) {
  if (!split || split.length < 2 || (after === before && !split.some(({ gift }) => gift))) return null;
  const gifts = split.filter(({ gift }) => gift);
  const paid = split.filter(({ gift }) => !gift).map((unit) => unit.paid);
  const alike = paid.every((one) => one === paid[0]);
  return (
    <span className="quiet block text-xs tabular-nums">
      {alike ? `${saidAmount(paid[0]!)} each` : sumWords(paid)}
      {gifts.length > 0 ? `, and ${gifts.length} × ${names[gifts[0]!.sku] ?? gifts[0]!.sku} as a gift` : ''}
    </span>
  );
}

/** The margin with the deal, and under it what it is without. */
function Margin({ step: { marginBefore, marginAfter, delivery } }: { step: DealStepView }) {
  if (marginAfter === null || delivery) return null;
  return (
    <>
      {saidPercent(marginAfter)}
      {marginBefore !== null && marginBefore !== marginAfter ? (
        <span className="quiet block text-xs">was {saidPercent(marginBefore)}</span>
      ) : null}
    </>
  );
}

function breakEvenWords({ after, before, breakEven, cost, delivery, split }: DealStepView): string {
  const same = after === before && !split?.some(({ gift }) => gift);
  if (same || delivery || cost === null) return '';
  return breakEven === null ? 'never' : saidTimes(breakEven);
}
