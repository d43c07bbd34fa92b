import Joi from 'joi';

const id = Joi.string().min(1).max(200);

/** What of a promotion says where it stands among the others; what is absent stays. */
export interface StandingChange {
  id: string;
  priority?: number;
  alone?: boolean;
  startsFrom?: 'tag' | 'base';
  combinesWith?: 'all' | 'none' | string[];
}

/** Changes of how promotions stand to each other: all of them, or none. */
export interface StandingRequest {
  changes: StandingChange[];
  /** Only what they would do is asked. */
  dry?: boolean;
}
export const standingRequest = Joi.object<StandingRequest>({
  changes: Joi.array()
    .items(
      Joi.object<StandingChange>({
        id: id.required(),
        priority: Joi.number().integer().min(1).max(1_000_000),
        alone: Joi.boolean(),
        startsFrom: Joi.valid('tag', 'base'),
        combinesWith: Joi.alternatives(Joi.valid('all', 'none'), Joi.array().items(id).max(2_000).unique()),
      }),
    )
    .min(1)
    .max(500)
    .unique('id')
    .required(),
  dry: Joi.boolean(),
});

/** The promotions that count on a day. */
export interface OrderRequest {
  /** Wall time. */
  at: string;
  /** A store's id, or "group:" and a store group's; absent: all stores. */
  where?: string;
}
export const orderRequest = Joi.object<OrderRequest>({ at: Joi.string().max(60).required(), where: id });
