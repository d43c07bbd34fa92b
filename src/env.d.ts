/// <reference types="astro/client" />
declare namespace App {
  interface Locals {
    person: import('./contracts/view/index.ts').Person | null;
  }
}
