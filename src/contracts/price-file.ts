import Joi from 'joi';
import type { PriceFileChange } from '../core/price-file/index.ts';
import { shape } from './shape.ts';

/** A price file on its way: the signed text as it stands. */
export interface PriceFileEnvelope {
  readonly store: string;
  readonly number: number;
  /** The canonical text (RFC 8785) of a price file's content. */
  readonly content: string;
  /** Ed25519 over the UTF-8 bytes of `content` (RFC 8032), base64. */
  readonly signature: string;
}

/** What makes one price file of the one before it. The signature is that of the whole text that comes out. */
export interface ChangeEnvelope extends Omit<PriceFileEnvelope, 'content'> {
  /** The number of the file that it changes. */
  readonly from: number;
  /** SHA-256 of that file's text, hexadecimal. */
  readonly fromSha256: string;
  readonly change: PriceFileChange;
}

/** A key of the chain, vouched for by one before it. */
export interface KeyCertificate {
  /** The canonical text of a {@link KeyStatement}. */
  readonly statement: string;
  /** Id of the key that signed it. */
  readonly key: string;
  readonly signature: string;
}

export interface KeyStatement {
  readonly format: 'bell-tag-key';
  readonly version: 1;
  readonly id: string;
  /** PEM, SPKI. */
  readonly publicKey: string;
  /** ISO 8601, UTC. */
  readonly madeAt: string;
  /** Ids of keys that are trusted no longer: they were lost, or may be in other hands. */
  readonly withdraws: readonly string[];
}

/** What a server vouches for: the newest price file of a store, and what time it is. */
export interface NewestVouched {
  /** The canonical text of a {@link NewestStatement}. */
  readonly statement: string;
  readonly key: string;
  readonly signature: string;
}

export interface NewestStatement {
  readonly format: 'bell-tag-newest';
  readonly version: 1;
  readonly store: string;
  /** Null: the store was sent nothing yet. */
  readonly number: number | null;
  /** ISO 8601, UTC. */
  readonly at: string;
  /** What the terminal asked with, made up for this one question: no answer to another one can stand in. */
  readonly nonce: string;
}

const number = Joi.number().integer().min(1);
const word = Joi.string().min(1).max(200);

const envelopeSchema = Joi.object<PriceFileEnvelope>({
  store: Joi.string().required(),
  number: number.required(),
  content: Joi.string().required(),
  signature: Joi.string().required(),
});

const keyed = (key: Joi.StringSchema) =>
  Joi.object({
    put: Joi.array().items(Joi.object({}).unknown()).required(),
    drop: Joi.array().items(key).required(),
  });
const changeSchema = Joi.object<ChangeEnvelope>({
  store: Joi.string().required(),
  number: number.required(),
  signature: Joi.string().required(),
  from: number.required(),
  fromSha256: Joi.string().hex().length(64).required(),
  change: Joi.object({
    madeAt: Joi.string().required(),
    goodUntil: Joi.string().required(),
    key: word.required(),
    rest: Joi.object({}).unknown().allow(null).required(),
    items: keyed(Joi.string()).required(),
    promotions: keyed(Joi.string()).required(),
  }).required(),
});

const signed = {
  statement: Joi.string().max(20_000).required(),
  key: word.required(),
  signature: word.required(),
};
const certificatesSchema = Joi.object<{ keys: KeyCertificate[] }>({
  keys: Joi.array().items(Joi.object(signed)).max(1_000).required(),
});

export const parseEnvelope = (raw: unknown) => shape<PriceFileEnvelope>(envelopeSchema, raw);
export const parseChange = (raw: unknown) => shape<ChangeEnvelope>(changeSchema, raw);
export const parseCertificates = (raw: unknown) => shape<{ keys: KeyCertificate[] }>(certificatesSchema, raw);
export const parseVouched = (raw: unknown) => shape<NewestVouched>(Joi.object<NewestVouched>(signed), raw);
