import { readFileSync } from 'node:fs';
import { parsePlan } from '../../src/contracts/index.ts';
import type { Plan, PlanDocument } from '../../src/core/plan/index.ts';
import { Refused, refuse } from './arguments.ts';

/** Reads and checks a plan file, `-` for standard input. */
export const readPlanFile = (path: string | undefined): Plan => readPlan(path).plan;

/** The same with the document that it was read from. */
export function readPlan(path: string | undefined): { readonly document: PlanDocument; readonly plan: Plan } {
  if (path === undefined)
    return refuse([], 'no plan is named', 'the path of a plan document, or - for standard input');
  const parsed = parsePlan(readJson(path, 'a plan document'));
  if (!parsed.ok) throw new Refused(parsed.faults);
  return parsed;
}

/** @param what the file is to be. */
export function readJson(path: string, what: string): unknown {
  let text: string;
  try {
    text = readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    return refuse(
      [],
      `${path} cannot be read (${(error as NodeJS.ErrnoException).code})`,
      `the path of ${what}`,
    );
  }
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    return refuse([], `${path} is no JSON (${(error as Error).message})`, what);
  }
}
