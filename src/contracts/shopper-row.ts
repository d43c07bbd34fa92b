import Joi from 'joi';
import { type Shaped, shape } from './shape.ts';
import { personCard, personEmail, personName } from './shopper-requests.ts';
import type { Column } from './table/index.ts';

/** What files of known shoppers hold, beside the tables of the plan. */
export const PEOPLE = 'people';

/** The columns of a file of known shoppers. A card goes in and never out: of cards a keyed hash is kept. */
export const PEOPLE_COLUMNS: readonly Column[] = [
  {
    field: 'id',
    title: 'Number',
    kind: 'text',
    key: true,
    also: ['shopper', 'member', 'customer'],
    hint: 'theirs here; nothing for somebody new, who goes by card or e-mail',
  },
  { field: 'name', title: 'Name', kind: 'text', also: ['full name', 'person'] },
  { field: 'email', title: 'E-mail', kind: 'text', also: ['email', 'mail', 'address'] },
  {
    field: 'groups',
    title: 'Kinds of shopper',
    kind: 'list',
    also: ['kinds', 'groups', 'kind', 'group'],
    hint: 'names with semicolons between',
  },
  { field: 'card', title: 'Card', kind: 'text', also: ['card number'], hint: 'one that they hold' },
];

/** A row of such a file; what it has no column for is not there. */
export interface ShopperRow {
  readonly id?: string | null;
  readonly name?: string | null;
  readonly email?: string | null;
  readonly card?: string | null;
}

const row = Joi.object<ShopperRow>({
  id: Joi.string().min(1).max(200).allow(null),
  name: personName.allow(null),
  email: personEmail.allow(null),
  card: personCard.allow(null),
});

/** Reads cells by field, kinds of shopper aside; an empty cell is nothing. */
export function readShopperRow(cells: Readonly<Record<string, string>>): Shaped<ShopperRow> {
  const { groups: _, ...rest } = cells;
  const said = Object.entries(rest).map(([field, text]) => [field, text.trim() || null]);
  return shape(row, Object.fromEntries(said));
}
