import Joi from 'joi';

const id = Joi.string().min(1).max(200);
const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/, 'day such as 2027-03-01')
  .required();

/** Which shelf tags of a store for a day are looked at; absent: those that must be hung anew. */
export interface TagsRequest {
  store: string;
  /** At the store. */
  day: string;
  /** All that hang. */
  all?: '1';
  /** Those that a promotion is told of on, by its id. */
  promotion?: string;
  /** Part of a name or a number, or a barcode. */
  find?: string;
  /** How many at most; absent: as many as are shown at once. */
  most?: string;
}
export const tagsRequest = Joi.object<TagsRequest>({
  store: id.required(),
  day,
  all: Joi.valid('1'),
  promotion: id,
  find: Joi.string().max(200).allow(''),
  most: Joi.string().pattern(/^\d{1,6}$/, 'whole number'),
});

export const shelvesRequest = Joi.object<{ day: string }>({ day });

/** So many tags are printed in one file; more are printed part by part. */
export const MOST_PRINTED = 10_000;

export interface PrintTagsRequest {
  store: string;
  day: string;
  /** A name of a paper. */
  paper: string;
  /** `changed`: those that must be hung anew; `left`: of these the ones that nobody has hung; `off`: a list of what must come off. */
  which: 'changed' | 'left' | 'all' | 'off' | { promotion: string } | { items: string[] };
}
export const printTagsRequest = Joi.object<PrintTagsRequest>({
  store: id.required(),
  day,
  paper: id.required(),
  which: Joi.alternatives()
    .try(
      Joi.string().valid('changed', 'left', 'all', 'off'),
      Joi.object({ promotion: id.required() }),
      Joi.object({ items: Joi.array().items(id).min(1).max(MOST_PRINTED).unique().required() }),
    )
    .required(),
});

export interface HangTagsRequest {
  store: string;
  day: string;
  /** Items with the edition of the tag that was hung, as it was told. */
  tags: { sku: string; edition: string }[];
  /** False: they do not hang after all. */
  hung: boolean;
}
export const hangTagsRequest = Joi.object<HangTagsRequest>({
  store: id.required(),
  day,
  tags: Joi.array()
    .items(Joi.object({ sku: id.required(), edition: Joi.string().min(1).max(40).required() }))
    .min(1)
    .max(MOST_PRINTED)
    .unique('sku')
    .required(),
  hung: Joi.boolean().strict().required(),
});
