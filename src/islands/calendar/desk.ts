import type { LanesBy } from '../../contracts/view/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import type { Grip, Pull } from './bar.tsx';

/** What is moved: the change that waits, where there is one, else what stands. */
export interface Opened {
  readonly promotion: PromotionDocument;
  readonly revision: number;
}

/** What was done last. */
export type CalendarSaid =
  | { readonly kind: 'nothing' }
  | { readonly kind: 'words'; readonly words: string }
  /** A promotion runs at another time now, or would once that is approved; `before` is what it was. */
  | {
      readonly kind: 'moved';
      readonly before: PromotionDocument;
      readonly after: PromotionDocument;
      readonly revision: number;
      readonly waits: boolean;
    };

export interface CalendarDesk {
  readonly by: LanesBy;
  readonly weeks: number;
  /** The bar that is held. */
  readonly pull: Pull | null;
  /** Its promotion, once it is here. */
  readonly opened: Opened | null;
  readonly said: CalendarSaid;
}

export type CalendarEvent =
  | { readonly type: 'laned'; readonly by: LanesBy }
  | { readonly type: 'spanned'; readonly weeks: number }
  | { readonly type: 'taken'; readonly id: string; readonly grip: Grip }
  | { readonly type: 'opened'; readonly opened: Opened }
  | { readonly type: 'pulled'; readonly days: number }
  | { readonly type: 'let-go' }
  | { readonly type: 'said'; readonly said: CalendarSaid };

export const CALENDAR_DESK: CalendarDesk = {
  by: 'group',
  weeks: 5,
  pull: null,
  opened: null,
  said: { kind: 'nothing' },
};

export function calendarAfter(desk: CalendarDesk, event: CalendarEvent): CalendarDesk {
  switch (event.type) {
    case 'laned':
      return { ...desk, by: event.by };
    case 'spanned':
      return { ...desk, weeks: event.weeks };
    case 'taken': {
      const { id, grip } = event;
      return { ...desk, pull: { id, grip, days: 0 }, opened: null, said: { kind: 'nothing' } };
    }
    case 'opened':
      // It may come when another bar is held already.
      return event.opened.promotion.id === desk.pull?.id ? { ...desk, opened: event.opened } : desk;
    case 'pulled':
      return desk.pull ? { ...desk, pull: { ...desk.pull, days: event.days } } : desk;
    case 'let-go':
      return { ...desk, pull: null };
    case 'said':
      return { ...desk, said: event.said };
  }
}
