import {
  DndContext,
  type DragOverEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import { type KeyboardEvent, useEffect, useRef } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery, type OrderedPromotion } from '../../contracts/view/index.ts';
import { saidCount } from '../../ui/writing/index.ts';
import { type OrderDesk, type OrderEvent, placeBy } from './desk.ts';

interface ListProps {
  readonly desk: OrderDesk;
  readonly tell: (event: OrderEvent) => void;
  readonly view: LensView;
  readonly plans: boolean;
}

/** The promotions of a day as one list, the first of them first: dragged, or moved by keys. */
export function OrderList({ desk, tell, view, plans }: ListProps) {
  const { are, were, held } = desk;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const list = useRef<HTMLOListElement>(null);
  const focused = useRef<string | null>(null);
  useEffect(() => {
    if (focused.current === null) return;
    list.current?.querySelector<HTMLElement>(`[data-move="${CSS.escape(focused.current)}"]`)?.focus();
    focused.current = null;
  });
  const onOver = ({ active, over }: DragOverEvent) => {
    const place = are.promotions.findIndex(({ id }) => id === over?.id);
    if (over && over.id !== active.id && place >= 0) tell({ type: 'moved', id: String(active.id), place });
  };
  const onKeyDown = (event: KeyboardEvent, id: string, place: number) => {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const isHeld = held?.id === id;
    if (event.key === ' ' || event.key === 'Enter') tell(isHeld ? { type: 'let-go' } : { type: 'took', id });
    else if (event.key === 'Escape' && isHeld) tell({ type: 'put-back' });
    else {
      const to = placeBy(event.key, place, are.promotions.length);
      if (to === null) return;
      focused.current = isHeld ? id : are.promotions[to]!.id;
      if (isHeld) tell({ type: 'moved', id, place: to });
      else list.current?.querySelector<HTMLElement>(`[data-move="${CSS.escape(focused.current)}"]`)?.focus();
    }
    event.preventDefault();
  };
  const was = new Map(were.promotions.map(({ id, priority }) => [id, priority]));
  return (
    <>
      <p className="quiet mt-2 text-sm">
        {are.policy.priceChanges === 'priority'
          ? 'Of the price changes on a good the first one sets the price; of equal ones the lower price.'
          : 'The lowest price wins; the order decides between equal ones.'}{' '}
        {are.policy.baskets === 'best'
          ? 'Of deals the shopper gets the best; the order decides between equal ones.'
          : 'Deals take units in this order.'}
        {plans ? ' Drag by the handle, or take it with Space and move it by the arrow keys.' : ''}
      </p>
      <DndContext
        sensors={sensors}
        onDragStart={({ active }) => tell({ type: 'took', id: String(active.id) })}
        onDragOver={onOver}
        onDragEnd={() => tell({ type: 'let-go' })}
        onDragCancel={() => tell({ type: 'put-back' })}
      >
        <ol ref={list} aria-label="Order of the promotions" className="mt-3">
          {are.promotions.map((promotion, place) => (
            <Row
              key={promotion.id}
              {...{ promotion, view, plans }}
              was={was.get(promotion.id)!}
              shared={are.promotions.filter(({ priority }) => priority === promotion.priority).length > 1}
              isHeld={held?.id === promotion.id}
              first={place === 0}
              onKeyDown={(event) => onKeyDown(event, promotion.id, place)}
            />
          ))}
        </ol>
      </DndContext>
      <p className="sr-only" role="status">
        {held
          ? `${saidCount(are.promotions.findIndex(({ id }) => id === held.id) + 1)} of ${saidCount(are.promotions.length)}`
          : ''}
      </p>
    </>
  );
}

function Row({
  promotion: { id, name, priority, what, waits },
  was,
  shared,
  isHeld,
  first,
  plans,
  view,
  onKeyDown,
}: {
  promotion: OrderedPromotion;
  was: number;
  shared: boolean;
  isHeld: boolean;
  first: boolean;
  plans: boolean;
  view: LensView;
  onKeyDown: (event: KeyboardEvent) => void;
}) {
  const drag = useDraggable({ id, disabled: !plans });
  const drop = useDroppable({ id });
  return (
    <li
      ref={drop.setNodeRef}
      className={`hairline flex items-start gap-x-3 border-b py-2 ${isHeld || drag.isDragging ? 'bg-base-200' : ''}`}
    >
      {plans ? (
        <button
          type="button"
          ref={drag.setNodeRef}
          data-move={id}
          tabIndex={first || isHeld ? 0 : -1}
          aria-label={`Move ${name}`}
          aria-pressed={isHeld}
          className="mt-0.5 cursor-grab touch-none p-1"
          {...drag.listeners}
          onKeyDown={onKeyDown}
        >
          <GripVertical size={16} aria-hidden="true" />
        </button>
      ) : null}
      <span className="w-20 shrink-0 text-right tabular-nums">
        {was === priority ? '' : <span className="quiet mr-1 line-through">{saidCount(was)}</span>}
        <b className={was === priority ? 'font-normal' : ''}>{saidCount(priority)}</b>
        {shared ? <span className="quiet block text-[13px]">shared</span> : null}
      </span>
      <span className="min-w-0">
        <a className="font-medium hover:underline" href={`/plan/${idInAddress(id)}${lensQuery(view.lens)}`}>
          {name}
        </a>
        {waits ? <span className="quiet text-sm"> · a change of it waits</span> : null}
        <span className="quiet block truncate text-sm" title={what}>
          {what}
        </span>
      </span>
    </li>
  );
}
