import type { PromotionDocument } from '../../core/plan/index.ts';
import * as t from '../schema/index.ts';
import { codec } from './codec.ts';
import { present } from './present.ts';
import { promotionTargets } from './rule-targets.ts';

type Row = typeof t.promotion.$inferSelect;

/** Its codes stand in a table of their own; how often and by whom it was saved is the database's own. */
export const promotions = codec<PromotionDocument, typeof t.promotion>({
  table: t.promotion,
  key: ['id'],
  own: ['revision', 'createdBy', 'updatedBy', 'updatedAt'],
  toRow,
  toEntry: (row) => fromRow(row, []),
  names: { owner: 'ofPromotion', targets: promotionTargets },
});

/** A promotion of the plan document as a row; its codes have a table of their own. */
export function toRow(document: PromotionDocument): typeof t.promotion.$inferInsert {
  const { when } = document;
  return {
    id: document.id,
    name: document.name,
    label: document.label ?? null,
    badge: document.badge ?? null,
    notes: document.notes ?? null,
    supplier: document.supplier ?? null,
    status: document.status,
    priority: document.priority ?? null,
    alone: document.alone ?? null,
    startsFrom: document.startsFrom ?? null,
    where: document.where ?? null,
    channels: document.channels ?? null,
    terminals: document.terminals ?? null,
    startsAt: when.from,
    endsAt: when.to ?? null,
    windows: when.windows ?? null,
    rrule: when.repeat?.rrule ?? null,
    duration: when.repeat?.duration ?? null,
    except: when.except ?? null,
    who: document.who ?? null,
    codeBatches: document.codeBatches ?? false,
    uses: document.uses ?? null,
    limitPerBasket: document.limitPerBasket ?? null,
    kind: document.offer.kind,
    offer: document.offer,
  };
}

/** Back again: fields that were not given are not there. */
export function fromRow(row: Row, codes: readonly string[]): PromotionDocument {
  return present({
    id: row.id,
    name: row.name,
    label: row.label,
    badge: row.badge,
    notes: row.notes,
    status: row.status,
    priority: row.priority,
    alone: row.alone,
    startsFrom: row.startsFrom,
    where: row.where,
    channels: row.channels,
    terminals: row.terminals,
    when: present({
      from: wall(row.startsAt),
      to: row.endsAt === null ? null : wall(row.endsAt),
      windows: row.windows,
      repeat: row.rrule === null ? null : { rrule: row.rrule, duration: row.duration! },
      except: row.except,
    }),
    who: row.who,
    codes: codes.length > 0 ? [...codes] : null,
    codeBatches: row.codeBatches || null,
    uses: row.uses,
    limitPerBasket: row.limitPerBasket,
    supplier: row.supplier,
    offer: row.offer,
  }) as unknown as PromotionDocument;
}

/** PostgreSQL writes "2027-03-01 09:00:00"; the document says "2027-03-01T09:00". */
const wall = (text: string): string => text.replace(' ', 'T').replace(/^(.{16}):00$/, '$1');
