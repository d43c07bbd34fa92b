import type { HeavyTask } from '../../usecases/heavy-work.ts';

export interface HeavyQuestion {
  readonly number: number;
  readonly task: HeavyTask;
  readonly args: readonly unknown[];
}

export type HeavyAnswer =
  | { readonly number: number; readonly value: unknown }
  | { readonly number: number; readonly error: string };
