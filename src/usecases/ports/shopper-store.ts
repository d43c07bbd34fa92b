/** What is kept of somebody beside the plan, and all of it. */
export interface KnownPerson {
  /** Their number, by which the plan knows them. */
  readonly id: string;
  /** Null: they came with a card alone. */
  readonly name: string | null;
  readonly email: string | null;
  /** Kinds of shopper that they are of; some may be there no more. */
  readonly groups: readonly string[];
  /** The last digits of each of their cards. */
  readonly cards: readonly string[];
  /** Receipts that were closed for them, and what those came to in minor units. */
  readonly orders: number;
  readonly spent: number;
  readonly since: Date;
}

export interface PersonDetails {
  readonly name: string | null;
  readonly email: string | null;
  readonly groups: readonly string[];
}

export interface FreshCard {
  readonly hash: Uint8Array;
  readonly lastDigits: string;
}

/** Somebody out of a file, as they are to be from now on. */
export interface PersonBroughtIn {
  readonly id: string;
  readonly details: PersonDetails;
  /** One more card that they hold; null: none. */
  readonly card: FreshCard | null;
}

/** A receipt that was closed for somebody. */
export interface ShopperOrder {
  readonly person: string;
  readonly terminal: string;
  readonly basket: string;
  readonly at: Date;
  /** What it came to, in minor units. */
  readonly paid: number;
}

/** Port: people whom the chain knows, beside the plan. Who is written to the trail goes by a number there. */
export interface ShopperStore {
  /** Whose name has this in it, by name. */
  named(text: string, most: number): Promise<readonly KnownPerson[]>;
  /** By number; who is not there is left out. */
  people(ids: readonly string[]): Promise<readonly KnownPerson[]>;
  person(id: string): Promise<KnownPerson | null>;
  /** Who has this address, however it is written. */
  ofEmail(email: string): Promise<readonly KnownPerson[]>;
  byCard(hash: Uint8Array): Promise<KnownPerson | null>;
  /** Whose each of these cards is, by the hash in hexadecimal digits; nobody's are left out. */
  holders(hashes: readonly Uint8Array[]): Promise<ReadonlyMap<string, string>>;
  /** Numbers of those who have one of these addresses, by the address in small letters. */
  withEmails(emails: readonly string[]): Promise<ReadonlyMap<string, readonly string[]>>;
  /** By number, from after this one on. */
  all(after: string, most: number): Promise<readonly KnownPerson[]>;
  /** Writes down that somebody took all of them out as a file. */
  takenOut(by: string): Promise<void>;
  /** How many there are in all, and of each kind. */
  counts(): Promise<{ readonly all: number; readonly byGroup: ReadonlyMap<string, number> }>;
  /** Numbers that nobody has had. */
  newNumbers(count: number): Promise<string[]>;
  /**
   * Makes people of a file known or changes them, all of them or none.
   * @returns false where somebody else has one of the cards.
   */
  bringIn(people: readonly PersonBroughtIn[], by: string, now: Date): Promise<boolean>;
  /** @param by whoever did it; null: a till. @returns false where somebody else has one of the cards. */
  add(
    id: string,
    details: PersonDetails,
    cards: readonly FreshCard[],
    by: string | null,
    now: Date,
  ): Promise<boolean>;
  change(id: string, details: PersonDetails, by: string, now: Date): Promise<void>;
  /** @returns false where somebody has that card. */
  giveCard(id: string, card: FreshCard, by: string): Promise<boolean>;
  takeCards(id: string, by: string): Promise<void>;
  /** Writes down a closed receipt, once however often it is told. */
  closed(order: ShopperOrder): Promise<void>;
  /** The newest first. */
  orders(id: string, most: number): Promise<readonly ShopperOrder[]>;
  /** Forgets all that is kept of somebody; what they used counts on, under no number. */
  wipe(person: KnownPerson, by: string): Promise<void>;
}

/** Somebody asks to be let in to a kind of shopper. */
export interface JoinRequest {
  readonly id: number;
  readonly group: string;
  readonly name: string;
  readonly email: string;
  /** What they say for themselves. */
  readonly word: string;
  readonly askedAt: Date;
}

/** Port: requests to be let in to a kind of shopper. */
export interface JoinStore {
  /** @param proof a hash of the code that proves the address. */
  ask(
    request: Pick<JoinRequest, 'group' | 'name' | 'email' | 'word'>,
    proof: Uint8Array,
    now: Date,
  ): Promise<number>;
  /** How many letters went to an address since then. */
  asked(email: string, since: Date): Promise<number>;
  /** @returns whether the code is right; after too many wrong ones none is. */
  prove(id: number, proof: Uint8Array, most: number, notBefore: Date): Promise<boolean>;
  /** Whose address is proved, and whom nobody has answered, the oldest first; an answer that was broken off is none. */
  waiting(now: Date): Promise<readonly JoinRequest[]>;
  request(id: number): Promise<JoinRequest | null>;
  /** @returns false where somebody is answering, or has answered. */
  claim(id: number, answer: 'let-in' | 'refused', by: string, now: Date): Promise<boolean>;
  /** The answer came to nothing: they wait as before. */
  reopen(id: number): Promise<void>;
  /** The answer went out: what the request says of somebody is forgotten. @param person whom it made; null: nobody. */
  settle(id: number, person: string | null): Promise<void>;
}
