import Joi from 'joi';
import type { Fault } from '../core/plan/index.ts';
import type { PriceFileContent } from '../core/price-file/index.ts';
import { parsePlan } from './parse-plan.ts';
import { shape } from './shape.ts';

/** A price file on its way: the signed text as it stands, so that nobody has to write JSON the same way twice. */
export interface PriceFileEnvelope {
  readonly store: string;
  readonly number: number;
  /** The text of a {@link PriceFileContent}. */
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

/** Reads the content of an envelope whose signature has been verified. */
export function parsePriceFile(
  content: string,
):
  | { ok: true; file: PriceFileContent; plan: ReturnType<typeof parsePlan> & { ok: true } }
  | { ok: false; faults: readonly Fault[] } {
  const file = JSON.parse(content) as PriceFileContent;
  if (file.format !== 'bell-tag-price-file' || file.version !== 1) {
    return {
      ok: false,
      faults: [{ path: ['format'], what: `${file.format} ${file.version}`, wanted: 'bell-tag-price-file 1' }],
    };
  }
  const plan = parsePlan(file.plan);
  return plan.ok ? { ok: true, file, plan } : plan;
}
