import type Joi from 'joi';
import type { Fault } from '../core/plan/index.ts';
import { soundnessFault } from './sound-value.ts';

export type Shaped<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly faults: Fault[] };

/** More of them help nobody, and a reply is no place for a million. */
const FAULTS_TOLD = 1000;

/**
 * Tests a raw value against a schema, without converting anything.
 * @returns the value with its type, or every fault with its path.
 */
export function shape<T>(
  schema: Joi.Schema<T>,
  raw: unknown,
  options: Joi.ValidationOptions = {},
): Shaped<T> {
  // What Joi would follow without end, or the database refuse, does not reach them.
  const unsound = soundnessFault(raw);
  if (unsound) return { ok: false, faults: [unsound] };
  const { error, value } = schema.required().validate(raw, { abortEarly: false, convert: false, ...options });
  if (!error) return { ok: true, value: value as T };
  return { ok: false, faults: error.details.slice(0, FAULTS_TOLD).map(faultOf) };
}

function faultOf(detail: Joi.ValidationErrorItem): Fault {
  return {
    path: detail.path,
    what: `${lastOf(detail.path)} ${whatOf(detail)}`,
    wanted: wantedBy(detail),
  };
}

const lastOf = (path: Fault['path']): string =>
  path.length === 0 ? 'the document' : `"${String(path.at(-1))}"`;

/** What is wrong, by the kind of the fault. */
const WHAT: Readonly<Record<string, string>> = {
  'any.required': 'is missing',
  'any.only': 'is none of those that there are',
  'object.unknown': 'is no field of this',
  'object.base': 'is no object',
  'object.missing': 'says none of what it may',
  'object.xor': 'says more than one thing of which one is meant',
  'array.base': 'is no list',
  'array.min': 'is too short a list',
  'array.max': 'is too long a list',
  'array.unique': 'is there twice',
  'array.hasUnknown': 'lacks what has to be in it',
  'password.guessed': 'is among those that are tried first',
  'card.short': 'is too short for the number of a card',
  'card.mistyped': 'is mistyped: the last digit does not fit the others',
  'string.base': 'is no text',
  'string.empty': 'is empty',
  'string.min': 'is too short',
  'string.max': 'is too long',
  'string.length': 'is of another length',
  'string.email': 'is no e-mail address',
  'string.uri': 'is no address',
  'string.uriCustomScheme': 'is no address',
  'string.pattern.base': 'does not fit',
  'string.pattern.name': 'does not fit',
  'number.base': 'is no number',
  'number.integer': 'is no whole number',
  'number.unsafe': 'is too large a number',
  'number.min': 'is too small',
  'number.max': 'is too large',
  'boolean.base': 'is neither true nor false',
};

/** A schema that has words of its own for a fault is told in them: its own name does not stand before those. */
function whatOf({ type, message }: Joi.ValidationErrorItem): string {
  const told = WHAT[type];
  return told !== undefined && message.startsWith('"')
    ? told
    : message.replace(/^"[^"]*" /, '').replace(/\.$/, '');
}

const limited = (least: string, most: string) => (type: string, limit: unknown) =>
  `${type.endsWith('.max') ? most : least} ${String(limit)}`;
const NUMBER = limited('a number from', 'a number up to');
const LENGTH = limited('at least so many characters:', 'at most so many characters:');
const COUNT = limited('at least so many:', 'at most so many:');

/** What would be right, in words, from the facts of the fault. */
function wantedBy({ type, context }: Joi.ValidationErrorItem): string {
  const facts = context as Record<string, unknown> | undefined;
  const choices = (list: unknown) => (Array.isArray(list) ? list.map(String).join(', ') : String(list));
  switch (type) {
    case 'any.only':
      return `one of ${choices(facts?.valids)}`;
    case 'any.required':
      return `a value here`;
    case 'array.hasUnknown':
      return 'the first of those that there are among them';
    case 'password.guessed':
      return 'one that nobody thinks of, such as three words that do not belong together';
    case 'card.short':
      return 'at least six digits or letters';
    case 'card.mistyped':
      return 'the number as it stands on the card';
    case 'string.uri':
    case 'string.uriCustomScheme':
      return 'one that begins with https://';
    case 'object.unknown':
      return 'only the fields of the format';
    case 'object.missing':
    case 'object.xor':
      return `exactly one of ${choices(facts?.peers)}`;
    case 'string.pattern.name':
      return `${facts?.name}: a text of digits and a decimal point`;
    case 'string.base':
    case 'string.empty':
      return 'a text';
    case 'string.email':
      return 'an address such as ines@quillmere.example';
    case 'number.max':
    case 'number.min':
      return NUMBER(type, facts?.limit);
    case 'string.max':
    case 'string.min':
      return LENGTH(type, facts?.limit);
    case 'array.max':
    case 'array.min':
      return COUNT(type, facts?.limit);
    case 'array.unique':
      return 'each once';
    case 'number.integer':
      return 'a whole number';
    case 'number.base':
      return 'a number';
    case 'boolean.base':
      return 'true or false';
    case 'array.base':
      return 'a list';
    case 'object.base':
      return 'an object';
    default:
      return type.replace(/\.base$/, '').replace(/^(\w+)\.(\w+)$/, 'a fitting $1 ($2)');
  }
}
