import type { DepartmentRow, PersonRow, SessionRow } from '../../contracts/index.ts';

/** Somebody who signs in, or did. */
export type StoredPerson = PersonRow;

/** What an administrator says of somebody. */
export type PersonSaid = Pick<StoredPerson, 'name' | 'role' | 'costs' | 'stores'> & {
  readonly goods?: readonly string[];
};

export type StoredSession = Omit<SessionRow, 'here'>;

/** Port: the people of the chain. */
export interface PeopleStore {
  /** By name. */
  all(): Promise<readonly StoredPerson[]>;
  /** The stores that there are. */
  stores(): Promise<readonly { readonly id: string; readonly name: string }[]>;
  /** The departments that there are, each after the one that it stands in. */
  departments(): Promise<readonly DepartmentRow[]>;
  change(id: string, said: PersonSaid, by: string): Promise<void>;
  /** Lets somebody in no more, and ends their sessions; or lets them in again. */
  end(id: string, ended: Date | null, by: string): Promise<void>;
  /** Where somebody is signed in, sessions that are over left out. */
  sessions(id: string, now: Date): Promise<readonly StoredSession[]>;
  /** Ends some of somebody's sessions, those of nobody else. @returns how many there were. */
  endSessions(id: string, sessions: readonly string[]): Promise<number>;
  /** Ends all of them, which the trail tells. */
  signOut(id: string, by: string): Promise<void>;
  /** A password alone lets them in again. The trail tells it. */
  endSecondStep(id: string, by: string): Promise<void>;
}

/** Port: the way in. */
export interface Accounts {
  /** Makes an account; without a password nobody can sign in to it yet. @returns its id. */
  create(person: {
    readonly name: string;
    readonly email: string;
    readonly password?: string;
  }): Promise<string>;
  /** Sends a link with which a password is set, once. Where nobody has that address nothing happens. */
  sendLink(email: string): Promise<void>;
  /** Sets a password by such a link, and ends the sessions of whose it is. @returns false where the link is none. */
  setPassword(token: string, password: string): Promise<boolean>;
}

export interface Letter {
  readonly id: number;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

/** Port: letters, in a mailbox that is simulated. */
export interface LetterStore {
  put(letter: Pick<Letter, 'to' | 'subject' | 'text'>): Promise<void>;
  /** The newest first, so many of them. */
  newest(most: number): Promise<readonly Letter[]>;
}
