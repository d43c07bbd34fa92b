/** Port: how an installation that nobody works with yet comes into its first hands. */
export interface BeginningStore {
  /**
   * Whether nobody looks after it: then whoever holds the code may.
   * @param demo whether made-up people of the demo count, as they can sign in.
   */
  needsAdministrator(demo: boolean): Promise<boolean>;
  /** Keeps the hash of the code that counts from now on. */
  setCode(hash: string): Promise<void>;
  /** Whether that is the code. It is used up by this: of two who hold it at once, one is first. */
  takeCode(hash: string): Promise<boolean>;
}
