import Joi from 'joi';
import type { ChainWords } from './view/choices.ts';
import type { SendingHour } from './view/sending-hour.ts';
import { TERMINAL_TROUBLES, type TerminalTrouble } from './view/today.ts';

const id = Joi.string().min(1).max(200);

export interface SendRequest {
  /** Absent: every store with something to send. */
  stores?: string[];
  /** The version of the plan that was reviewed. */
  planVersion: number;
  /** Ids of the promotions that were held back then; absent: none. */
  held?: string[];
}
export const sendRequest = Joi.object<SendRequest>({
  stores: Joi.array().items(id).min(1).max(20_000),
  planVersion: Joi.number().integer().min(1).required(),
  held: Joi.array().items(id).max(20_000),
});

export interface SendAnewRequest {
  /** Absent: every store that was sent anything. */
  stores?: string[];
}
export const sendAnewRequest = Joi.object<SendAnewRequest>({
  stores: Joi.array().items(id).min(1).max(20_000),
});

export interface ReplaceKeyRequest {
  /** Whether the keys before may be in other hands: then they are trusted no longer. */
  lost: boolean;
}
export const replaceKeyRequest = Joi.object<ReplaceKeyRequest>({ lost: Joi.boolean().strict().required() });

const words = Joi.array().items(Joi.string().trim().min(1).max(60)).unique().max(200).required();
const chainWords = { payments: words, deliveries: words, regions: words, linkTags: words };
export interface ChainWordsRequest extends ChainWords {
  /** As they were opened: what somebody else changed since stays. Absent: all of them are set as they are said. */
  was?: ChainWords;
}
export const chainWordsRequest = Joi.object<ChainWordsRequest>({
  ...chainWords,
  was: Joi.object<ChainWords>(chainWords),
});

export interface HoldBackRequest {
  promotion: string;
  held: boolean;
}
export const holdBackRequest = Joi.object<HoldBackRequest>({
  promotion: id.required(),
  held: Joi.boolean().strict().required(),
});

export const waitingPricesRequest = Joi.object<{ id: string; store: string }>({
  id: id.required(),
  store: id.required(),
});

export const storePricesRequest = Joi.object<{ store: string }>({ store: id.required() });

export interface SendingHourRequest {
  /** Null: what is approved is sent by somebody. */
  hour: SendingHour | null;
}
export const sendingHourRequest = Joi.object<SendingHourRequest>({
  hour: Joi.object<SendingHour>({
    time: Joi.string()
      .pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'hour such as 18:00')
      .required(),
    timeZone: Joi.string().max(60).required(),
  })
    .allow(null)
    .required(),
});

export const terminalRequest = Joi.object<{ terminal: string }>({ terminal: id.required() });

/** Which terminals are wanted; absent is any. */
export interface TerminalsRequest {
  /** A store group's id. */
  group?: string;
  store?: string;
  trouble?: TerminalTrouble;
  /** Part of the terminal's or its store's name. */
  find?: string;
  /** Those without trouble too. */
  all?: '1';
  /** How many at most; absent: as many as are shown at once. */
  most?: string;
  /** The sending of which it is wanted who holds it already. */
  rollout?: string;
}
const count = Joi.string().pattern(/^\d{1,9}$/, 'whole number');
export const terminalsRequest = Joi.object<TerminalsRequest>({
  group: id,
  store: id,
  trouble: Joi.valid(...TERMINAL_TROUBLES),
  find: Joi.string().max(200).allow(''),
  all: Joi.valid('1'),
  most: count,
  rollout: count,
});
