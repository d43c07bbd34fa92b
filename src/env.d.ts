/// <reference types="astro/client" />
declare namespace Astro {
  interface ClientDirectives {
    /** Comes to life when it is approached; see src/ui/touched.ts. */
    'client:touched'?: boolean | { keys: true };
  }
}
declare namespace App {
  interface Locals {
    /** The network address of who asks, as our own entry saw it. */
    address: string;
    /** Names this request in the log, and in what a person is told who found that something failed. */
    request: string;
    /** Has the server wait for something before it ends, also where whoever asked has gone. */
    keep<T>(work: Promise<T>): Promise<T>;
    /** What our own entry has measured so far, in the text format of Prometheus. */
    measured(): Promise<string>;
    /** Whether it was asked under the address of the published interface. */
    published: boolean;
    /** The session by which they are signed in. */
    session: string | null;
    /** The day from which on they must have a second step, and have none yet; null: nothing is asked of them. */
    owesSecondStep: string | null;
    person: import('./contracts/view/index.ts').Person | null;
  }
}
