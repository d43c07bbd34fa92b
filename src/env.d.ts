/// <reference types="astro/client" />
declare namespace App {
  interface Locals {
    person: import('./contracts/roles.ts').Person | null;
  }
}
