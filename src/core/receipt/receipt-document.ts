import { type Currency, formatAmount, formatThousandths, minorUnits } from '../money/index.ts';
import type { ReceiptDocument } from './basket-document.ts';
import type { CodeReason } from './codes.ts';
import type { Receipt } from './receipt.ts';

/** A receipt in the open format. */
export function receiptDocument(receipt: Receipt, currency: Currency): ReceiptDocument {
  const money = (amount: number) => formatAmount(minorUnits(amount), currency);
  const { delivery } = receipt;
  return {
    ...(receipt.id === null ? {} : { id: receipt.id }),
    currency: currency.code,
    total: money(receipt.total),
    goods: money(receipt.goods),
    saving: money(receipt.saving),
    proved: receipt.proved,
    ...(receipt.proved ? {} : { bound: money(receipt.bound) }),
    lines: receipt.lines.map(
      ({ sku, thousandths, weighed, regular, base, priceChange, onTop, tag, net, gift, reductions }) => ({
        sku,
        quantity: weighed ? formatThousandths(thousandths) : thousandths / 1_000,
        regular: money(regular),
        ...(base === regular && priceChange === null ? {} : { base: money(base) }),
        ...(priceChange === null ? {} : { priceChange }),
        ...(onTop.length === 0 ? {} : { onTop: [...onTop] }),
        tag: money(tag),
        net: money(net),
        ...(gift ? { gift: true as const } : {}),
        reductions: reductions.map(({ promotion, units, amount }) => ({
          promotion,
          ...(units === null ? {} : { units }),
          amount: money(amount),
        })),
      }),
    ),
    applications: receipt.applications.map(({ promotion, times, units, saving }) => ({
      promotion,
      times,
      units: units.map(({ line, quantity }) => ({ line, quantity })),
      saving: money(saving),
    })),
    rewards: receipt.rewards.map(({ promotion, measured, amount }) => ({
      promotion,
      measured: money(measured),
      amount: money(amount),
    })),
    ...(delivery
      ? {
          delivery: {
            way: delivery.way,
            charge: money(delivery.charge),
            net: money(delivery.net),
            ...(delivery.promotion === null ? {} : { promotion: delivery.promotion }),
          },
        }
      : {}),
    codes: receipt.codes.map(({ code, reason }) => ({
      code,
      accepted: reason === null,
      ...(reason === null ? {} : { reason: CODE_WORDS[reason] }),
    })),
    nearly: receipt.nearly.map(({ promotion, add, sku, saving }) => ({
      promotion,
      add,
      sku,
      saving: money(saving),
    })),
    problems: receipt.problems.map(({ line, code, message }) => ({
      ...(line === null ? {} : { line }),
      code,
      message,
    })),
  };
}

const CODE_WORDS: Readonly<Record<CodeReason, string>> = {
  unknown: 'no promotion has this code',
  'used-up': 'it was used as often as it may be',
  'switched-off': 'its promotion is switched off',
  'not-started': 'its promotion has not started yet',
  over: 'its promotion is over',
  'not-here': 'its promotion does not count here and now, or not for this shopper',
  withdrawn: 'it was withdrawn',
  unchecked: 'nobody could be asked whether it is good: the till is cut off',
  slowed: 'too many wrong codes were tried here; wait a little',
};
