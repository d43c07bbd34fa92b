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
    what: `${lastOf(detail.path)} ${plain(detail.message)}`,
    wanted: wantedBy(detail),
  };
}

const lastOf = (path: Fault['path']): string =>
  path.length === 0 ? 'the document' : `"${String(path.at(-1))}"`;
const plain = (message: string): string => message.replace(/^"[^"]*" /, '').replace(/\.$/, '');

/** What would be right, in words, from the facts of the fault. */
function wantedBy({ type, context }: Joi.ValidationErrorItem): string {
  const facts = context as Record<string, unknown> | undefined;
  const choices = (list: unknown) => (Array.isArray(list) ? list.map(String).join(', ') : String(list));
  switch (type) {
    case 'any.only':
      return `one of ${choices(facts?.valids)}`;
    case 'any.required':
      return `a value here`;
    case 'object.unknown':
      return 'only the fields of the format';
    case 'object.missing':
    case 'object.xor':
      return `exactly one of ${choices(facts?.peers)}`;
    case 'string.pattern.name':
      return `${facts?.name}: a text of digits and a decimal point`;
    case 'string.empty':
      return 'a text';
    case 'number.max':
    case 'number.min':
      return `a number ${type === 'number.max' ? 'up to' : 'from'} ${facts?.limit}`;
    default:
      return type.replace(/\.base$/, '').replace(/^(\w+)\.(\w+)$/, 'a fitting $1 ($2)');
  }
}
