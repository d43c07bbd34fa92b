import { type HouseRules, NO_HOUSE_RULES } from '../../core/house-rules/index.ts';
import type { WorkRules, WorkRulesStore } from '../../usecases/ports/index.ts';
import type { Database } from '../connect.ts';
import * as t from '../schema/index.ts';
import { planVersionOf } from './plan-version.ts';

const { approvalByAnother: another, approvalOfStockroom: stockroom } = t.chain;
const { tagsTellLowest, houseRules: house, secondStep } = t.chain;
const SAID = { another, stockroom, tagsTellLowest, house, secondStep };

export function workRulesRepository(db: Database): WorkRulesStore {
  return {
    async current() {
      const [row] = await db.select(SAID).from(t.chain);
      return rulesOf(row);
    },
    change: (change, person) =>
      db.transaction(async (tx) => {
        const [before] = await tx.select(SAID).from(t.chain).for('update');
        const rules = change(rulesOf(before));
        if (!rules) return;
        await tx.update(t.chain).set({
          approvalByAnother: rules.another,
          approvalOfStockroom: rules.stockroom,
          tagsTellLowest: rules.tagsTellLowest,
          houseRules: rules.house,
          secondStep: rules.secondStep,
        });
        await tx.insert(t.auditEntry).values({
          person,
          action: 'changed',
          subjectKind: 'work rules',
          subject: 'chain',
          before:
            before &&
            Object.fromEntries(Object.keys(rules).map((key) => [key, before[key as keyof typeof before]])),
          after: rules,
          planVersion: await planVersionOf(tx),
        });
      }),
  };
}

const rulesOf = (row: (Omit<WorkRules, 'house'> & { house: HouseRules | null }) | undefined): WorkRules =>
  row
    ? { ...row, house: row.house ?? NO_HOUSE_RULES }
    : {
        ...{ another: true, stockroom: true, tagsTellLowest: true },
        house: NO_HOUSE_RULES,
        secondStep: null,
      };
