import type pg from 'pg';
import type { Instant } from '../src/core/calendar/index.ts';
import { dayOf, formatLocalDate, spansWithin } from '../src/core/calendar/index.ts';
import type { CompiledPlan } from '../src/core/price-book/index.ts';

/**
 * The book of one store for a guest as one SQL statement over the normalised tables. What a rule selects and which
 * promotions are live is laid down in tables beforehand, so the database is spared what it could not say in SQL.
 */
const BOOK = `
with regular as (
  select distinct on (sku) sku, price::numeric as price
  from item_price join bench_carried using (sku)
  where (store = $1 or zone = $2 or (store is null and zone is null)) and (since is null or since <= $3)
  order by sku, (store is not null) desc, (zone is not null) desc, since desc nulls last
),
exact as (
  select r.sku, r.price as base, p.*,
    case p.way
      when 'percentOff' then r.price * (10000 - p.value) / 10000
      when 'amountOff' then greatest(r.price - p.value, 0)
      when 'setTo' then p.value
      when 'multiplyBy' then r.price * p.value
      when 'addPercent' then i.cost * (10000 + p.value) / 10000
      when 'marginOnPrice' then i.cost * 10000 / (10000 - p.value)
    end as raw
  from regular r join item i using (sku) join bench_selected s using (sku) join bench_live p on p.id = s.promotion
),
rounded as (
  select e.*, coalesce(case
    when raw = 0 then 0
    when step is not null then greatest(step, case mode
      when 'up' then ceil(raw / step) when 'down' then floor(raw / step) else floor(raw / step + 0.5) end * step)
    when endings is not null then (
      select grid from (
        select floor(raw / per) * per + ending + turn * per as grid
        from unnest(endings) ending, (values (-1), (0), (1)) turns(turn)
      ) grids
      where grid > 0 and case mode when 'up' then grid >= raw when 'down' then grid <= raw else true end
      order by case when mode = 'down' then -grid when mode = 'up' then grid else abs(grid - raw) end, grid
      limit 1)
    else round(raw) end, null) as result
  from exact e
),
winner as (
  select distinct on (sku) sku, result, id from rounded
  where not on_top and result is not null and (result <= base or may_raise)
  order by sku, priority, result, id collate "C"
),
top as (
  select p.*, s.sku from bench_live p join bench_selected s on s.promotion = p.id where p.on_top
)
select r.sku, least(coalesce(w.result, r.price),
    case when t.id is null then coalesce(w.result, r.price)
      else greatest(floor(coalesce(w.result, r.price) * (10000 - t.value) / 10000 / t.step) * t.step, t.step) end)::int as price,
  w.id as promotion
from regular r left join winner w using (sku) left join top t using (sku)
order by r.sku`;

/** Lays down what the rules select and what is live, as the statement reads it. */
export async function prepareSqlBook(
  client: pg.Client,
  compiled: CompiledPlan,
  storeId: string,
  at: Instant,
): Promise<{ text: string; values: unknown[] }> {
  const store = compiled.stores.get(storeId)!;
  const clock = compiled.clockOf(store);
  await client.query(`drop table if exists bench_live, bench_selected, bench_carried;
    create table bench_live (id text primary key, priority int, way text, value numeric, step numeric, endings numeric[],
      per numeric, mode text, on_top boolean, may_raise boolean);
    create table bench_selected (promotion text, sku text, primary key (promotion, sku));
    create table bench_carried (sku text primary key)`);
  const live = compiled.changes.filter(
    ({ promotion, stores }) =>
      promotion.status === 'approved' &&
      promotion.who.kind === 'everyone' &&
      stores().has(storeId) &&
      spansWithin(promotion.when, clock, { from: at, to: (at + 1) as Instant }).length > 0,
  );
  if (live.filter(({ promotion }) => promotion.offer.onTop).length > 1)
    throw new Error('the statement knows one change on top');
  for (const { promotion, selection } of live) {
    if (selection().asksPrices)
      throw new Error(`the statement knows no selection by price (${promotion.id})`);
    const { formula, rounding, onTop, mayRaise } = promotion.offer;
    if (!formula || promotion.offer.linePrices.everywhere.size > 0)
      throw new Error(`the statement knows no line prices (${promotion.id})`);
    const value =
      'percent' in formula
        ? formula.percent
        : 'amount' in formula
          ? formula.amount
          : formula.millionths / 1e6;
    const grid =
      rounding && 'step' in rounding
        ? { step: rounding.step }
        : rounding
          ? { endings: rounding.endings, per: rounding.per }
          : {};
    await client.query('insert into bench_live values ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10)', [
      promotion.id,
      promotion.priority,
      formula.kind,
      value,
      'step' in grid ? grid.step : null,
      'endings' in grid ? grid.endings : null,
      'per' in grid ? grid.per : null,
      rounding?.mode ?? null,
      onTop,
      mayRaise,
    ]);
    const skus = compiled.catalogue.items
      .filter((_, index) => selection().has(index, 0 as never))
      .map(({ sku }) => sku);
    await client.query('insert into bench_selected select $1, unnest($2::text[])', [promotion.id, skus]);
  }
  const carried = compiled.catalogue.items
    .filter((_, index) => !compiled.catalogue.isParent(index) && compiled.carries(storeId, index, null))
    .map(({ sku }) => sku);
  await client.query('insert into bench_carried select unnest($1::text[])', [carried]);
  await client.query(
    'analyze bench_live; analyze bench_selected; analyze bench_carried; analyze item_price; analyze item',
  );
  return { text: BOOK, values: [storeId, store.zone ?? null, formatLocalDate(dayOf(clock.toWall(at)))] };
}
