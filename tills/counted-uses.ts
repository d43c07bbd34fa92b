import type { HeldUses, PaidBy, WantedUseSaid } from '../src/contracts/index.ts';
import type { KeptOnDisk } from './kept-on-disk.ts';

/** What a receipt used, still to be told to the server. */
export interface UsesToTell {
  readonly basket: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly uses: readonly WantedUseSaid[];
  /** The server did not count for it: the till gave it by itself. */
  readonly byItself: boolean;
  /** Whom it was for; absent or null: somebody who is not known. */
  readonly shopper?: PaidBy | null;
}

type OpenBasket = Pick<UsesToTell, 'uses' | 'byItself' | 'shopper'>;

/** What a till remembers of uses, power or not. */
export interface KeptUses {
  readonly toTell: readonly UsesToTell[];
  /** Baskets that were rung and are neither paid nor dropped, by name. */
  readonly open?: readonly (readonly [string, OpenBasket])[];
}

/** Asks and tells the server about uses; throws where it cannot be reached. */
export interface UseTalk {
  hold(basket: string, uses: readonly WantedUseSaid[]): Promise<HeldUses>;
  take(told: UsesToTell): Promise<void>;
  giveBack(basket: string): Promise<void>;
}

/** What a basket may use: by key, what is used up already; and whether anybody counted with the other tills. */
export interface Allowed {
  readonly usedUp: Readonly<Record<string, number>>;
  readonly counted: boolean;
}

/** The uses of a till's baskets, counted with all other tills where the server can be reached. */
export interface CountedUses {
  /** @param allowance how many receipts of a promotion it may give by itself while it is cut off. */
  ask(
    basket: string,
    wanted: Pick<OpenBasket, 'uses' | 'shopper'>,
    allowance: (promotion: string) => number,
  ): Promise<Allowed>;
  /** The basket was paid: kept on its own disk until the server has it. */
  paid(basket: string): Promise<void>;
  dropped(basket: string): Promise<void>;
  /** Tells what the server does not have yet, the oldest first. */
  tell(): Promise<void>;
}

/** Baskets that nobody pays are forgotten: as many as a till may have at hand. */
const OPEN = 200;

export function countedUses(talk: UseTalk, disk: KeptOnDisk<KeptUses>, now: () => number): CountedUses {
  const kept = disk.read();
  let toTell: readonly UsesToTell[] = kept?.toTell ?? [];
  const open = new Map<string, OpenBasket>(kept?.open ?? []);

  function remember(next: readonly UsesToTell[]): void {
    disk.write({ toTell: next, open: [...open] });
    toTell = next;
  }
  function forget(basket: string): boolean {
    const was = open.delete(basket);
    if (was) remember(toTell);
    return was;
  }
  function keepOpen(basket: string, one: OpenBasket): void {
    open.delete(basket);
    if (open.size >= OPEN) open.delete(open.keys().next().value!);
    open.set(basket, one);
    remember(toTell);
  }

  /** While it is cut off it counts what it gave itself and could not tell, and no more than it may. */
  function byItself(
    basket: string,
    { uses, shopper }: Pick<OpenBasket, 'uses' | 'shopper'>,
    allowance: (id: string) => number,
  ): Allowed {
    const given = (promotion: string) =>
      toTell.filter((told) => told.byItself && told.uses.some((use) => use.promotion === promotion)).length;
    // What it knows itself of one code, or one shopper, counts as well.
    const own = ({ key, span }: WantedUseSaid) =>
      toTell
        .flatMap((told) => told.uses)
        .filter((use) => use.key === key && use.span === span)
        .reduce((sum, { units = 1 }) => sum + units, 0);
    const isGiven = (use: WantedUseSaid) => given(use.promotion) >= allowance(use.promotion);
    const refused = uses.filter((use) => isGiven(use) || own(use) + (use.units ?? 1) > use.most);
    const left = uses.filter((use) => !refused.includes(use));
    keepOpen(basket, { uses: left, byItself: true, shopper });
    return {
      usedUp: Object.fromEntries(refused.map((use) => [use.key, isGiven(use) ? use.most : own(use)])),
      counted: false,
    };
  }

  return {
    async ask(basket, wanted, allowance) {
      const { uses, shopper } = wanted;
      if (uses.length === 0) {
        // What it used before is not in it any more.
        const had = (open.get(basket)?.uses.length ?? 0) > 0;
        if (shopper) keepOpen(basket, { uses, byItself: false, shopper });
        else forget(basket);
        if (had) await talk.giveBack(basket).catch(() => {});
        return { usedUp: {}, counted: true };
      }
      try {
        const { usedUp } = await talk.hold(basket, uses);
        const kept = uses.filter(({ key }) => !(key in usedUp));
        keepOpen(basket, { uses: kept, byItself: false, shopper });
        return { usedUp, counted: true };
      } catch {
        return byItself(basket, wanted, allowance);
      }
    },
    async paid(basket) {
      const closed = open.get(basket);
      if (!closed) return;
      open.delete(basket);
      if (closed.uses.length === 0 && !closed.shopper) return remember(toTell);
      remember([...toTell, { basket, at: new Date(now()).toISOString(), ...closed }]);
      await this.tell().catch(() => {});
    },
    async dropped(basket) {
      if (forget(basket)) await talk.giveBack(basket).catch(() => {});
    },
    async tell() {
      while (toTell.length > 0) {
        const [first, ...rest] = toTell;
        await talk.take(first!);
        remember(rest);
      }
    },
  };
}
