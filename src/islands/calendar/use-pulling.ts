import {
  type DragEndEvent,
  type DragMoveEvent,
  type DragStartEvent,
  type KeyboardCoordinateGetter,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type RefObject, useRef } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import type { OpenedPromotion } from '../../contracts/view/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';
import { ask, refusalOf } from '../server/index.ts';
import type { Dragged } from './bar.tsx';
import type { CalendarEvent, CalendarSaid, Opened } from './desk.ts';
import { pulled } from './pulled.ts';

const pathOf = (id: string): string => `/api/promotions/${idInAddress(id)}`;

async function open(id: string): Promise<Opened> {
  const { promotion, change, revision } = await ask<OpenedPromotion>(pathOf(id));
  return { promotion: change?.promotion ?? promotion, revision };
}

/** By keys a bar goes so many days. */
const STEPS: Readonly<Record<string, number>> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 };

/**
 * What happens when bars are taken, pulled and let go.
 * @param board over which the bars lie
 * @param days that it shows
 */
export function usePulling(
  board: RefObject<HTMLElement | null>,
  days: number,
  tell: (event: CalendarEvent) => void,
  refetch: () => Promise<unknown>,
) {
  // A bar may be let go before its promotion is here.
  const opening = useRef<Promise<Opened> | null>(null);
  // By keys a bar goes day by day, counted from where it was taken: the bar itself moves along while it is held.
  const taken = useRef<{ x: number; y: number; days: number } | null>(null);
  const dayWidth = () => (board.current?.clientWidth ?? days) / days;
  const byDays: KeyboardCoordinateGetter = (event, { currentCoordinates: { x, y } }) => {
    const step = STEPS[event.code];
    if (step === undefined) return undefined;
    event.preventDefault();
    const from = taken.current ?? { x, y, days: 0 };
    taken.current = { ...from, days: from.days + step };
    return { x: from.x + taken.current.days * dayWidth(), y: from.y };
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byDays }),
  );
  const say = (said: CalendarSaid) => tell({ type: 'said', said });

  async function save(promotion: PromotionDocument, revision: number) {
    const body = { promotion, revision };
    const saved = await ask<{ revision: number; waits: boolean }>(pathOf(promotion.id), {
      method: 'PUT',
      body,
    });
    await refetch();
    return saved;
  }

  return {
    sensors,
    async onDragStart({ active }: DragStartEvent): Promise<void> {
      const { bar, grip } = active.data.current as Dragged;
      taken.current = null;
      tell({ type: 'taken', id: bar.id, grip });
      opening.current = open(bar.id);
      // Where it cannot be opened, letting go says why.
      await opening.current.then(
        (opened) => tell({ type: 'opened', opened }),
        () => {},
      );
    },
    onDragMove: ({ delta }: DragMoveEvent) =>
      tell({ type: 'pulled', days: Math.round(delta.x / dayWidth()) }),
    onDragCancel: () => tell({ type: 'let-go' }),
    /** What counts is what was pressed and drawn, not how far the picture has followed. */
    async onDragEnd({ active, delta }: DragEndEvent): Promise<void> {
      const { grip } = active.data.current as Dragged;
      const moved = taken.current?.days ?? Math.round(delta.x / dayWidth());
      const asked = opening.current;
      tell({ type: 'let-go' });
      if (!asked || moved === 0) return;
      try {
        const before = await asked;
        const next = pulled(before.promotion, { grip, days: moved });
        if ('fault' in next) return say({ kind: 'words', words: next.fault });
        const saved = await save(next.promotion, before.revision);
        say({ kind: 'moved', before: before.promotion, after: next.promotion, ...saved });
      } catch (refused) {
        const { message, faults } = refusalOf(refused);
        say({ kind: 'words', words: `${message} ${faults.map((fault) => fault.message).join('; ')}` });
        await refetch();
      }
    },
    async onUndo(before: PromotionDocument, revision: number): Promise<void> {
      try {
        await save(before, revision);
        say({ kind: 'words', words: 'Back where it was.' });
      } catch (refused) {
        say({ kind: 'words', words: refusalOf(refused).message });
      }
    },
  };
}
