import type { BasketCheckResult, CheckedBasketDocument, CheckMoment } from '../../contracts/index.ts';

export interface StoredBasketCheck {
  readonly id: number;
  readonly name: string;
  readonly basket: CheckedBasketDocument;
  readonly moment: CheckMoment;
  readonly atMost: string | null;
  readonly atLeast: string | null;
  /** Null: it has not run yet. */
  readonly result: BasketCheckResult | null;
}

/** Port: baskets that are rung again whenever the plan changes. */
export interface BasketCheckStore {
  all(): Promise<readonly StoredBasketCheck[]>;
  /** One of the same name is replaced. */
  put(check: Omit<StoredBasketCheck, 'id'>, person: string): Promise<number>;
  keepResult(id: number, result: BasketCheckResult): Promise<void>;
  drop(id: number): Promise<boolean>;
}
