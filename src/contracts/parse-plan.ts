import { checkPlan, type Fault, type Plan, type PlanDocument, readPlan } from '../core/plan/index.ts';
import { planSchema } from './plan-document.ts';
import { shape } from './shape.ts';

export type ParsedPlan =
  | { readonly ok: true; readonly document: PlanDocument; readonly plan: Plan }
  | { readonly ok: false; readonly faults: readonly Fault[] };

/** From anything to a plan the core computes with: shape first, then sense. */
export function parsePlan(raw: unknown): ParsedPlan {
  const shaped = shape(planSchema, raw);
  if (!shaped.ok) return shaped;
  const faults = checkPlan(shaped.value);
  return faults.length > 0
    ? { ok: false, faults }
    : { ok: true, document: shaped.value, plan: readPlan(shaped.value) };
}
