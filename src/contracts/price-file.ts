import Joi from 'joi';
import { shape } from './shape.ts';

/** A price file on its way: the signed text as it stands, so that nobody has to write JSON the same way twice. */
export interface PriceFileEnvelope {
  readonly store: string;
  readonly number: number;
  /** The text of a price file's content, as the core writes it. */
  readonly content: string;
  /** Ed25519 over the UTF-8 bytes of `content` (RFC 8032), base64. */
  readonly signature: string;
}

const envelopeSchema = Joi.object<PriceFileEnvelope>({
  store: Joi.string().required(),
  number: Joi.number().integer().min(1).required(),
  content: Joi.string().required(),
  signature: Joi.string().required(),
});

export const parseEnvelope = (raw: unknown) => shape<PriceFileEnvelope>(envelopeSchema, raw);
