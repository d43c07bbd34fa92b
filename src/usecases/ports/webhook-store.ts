import type { ToldEvent, WebhookRow } from '../../contracts/view/index.ts';

/** A call that is to be made now. */
export interface DueCall {
  readonly id: string;
  readonly url: string;
  readonly secret: string;
  readonly body: string;
  /** How often it was tried. */
  readonly tries: number;
}

/** Port: addresses of other programs that are told what happens. */
export interface WebhookStore {
  /** Those that are told something, the oldest first. */
  all(): Promise<readonly WebhookRow[]>;
  /** @returns its id. */
  put(
    webhook: { readonly url: string; readonly events: readonly ToldEvent[]; readonly secret: string },
    by: string,
  ): Promise<string>;
  /** Tells it nothing more. @returns false where there is none of that id. */
  end(id: string, now: Date, by: string): Promise<boolean>;
  /** Has what was not taken tried now. @returns false where there is none of that id. */
  tryAgain(id: string, now: Date): Promise<boolean>;
  /** Makes calls of what happened since. @returns how many things there were. */
  putIntoCalls(now: Date, newId: () => string): Promise<number>;
  /** Calls whose time has come, so many at most. */
  due(now: Date, most: number): Promise<readonly DueCall[]>;
  /** What a try came to. @param next when it is tried again; null: it is given up, or it was taken. */
  tried(
    id: string,
    came: { readonly taken: boolean; readonly said: string; readonly next: Date | null },
    now: Date,
  ): Promise<void>;
}
