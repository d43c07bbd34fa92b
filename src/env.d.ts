/// <reference types="astro/client" />
declare namespace App {
  interface Locals {
    /** The network address of who asks, as our own entry saw it. */
    address: string;
    person: import('./contracts/view/index.ts').Person | null;
  }
}
