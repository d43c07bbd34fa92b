/** What the chain is made of. */
export interface StockroomView {
  readonly name: string | null;
  readonly counts: readonly (readonly [what: string, count: number])[];
  readonly stores: readonly {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly zone: string | null;
    readonly region: string | null;
    readonly tags: readonly string[];
    readonly terminals: number;
  }[];
}
