import type { TagText } from '../core/shelf-tags/index.ts';
import { barcodeOf } from './barcode.ts';
import type { Box } from './papers.ts';
import { type Pen, type Setting, wrapped } from './pen.ts';

/** Around the letters of a line. */
const LEADING = 1.22;

/** Sizes of a tag's letters, from the room there is: a tag twice as large says the same twice as large. */
interface Scale {
  readonly name: number;
  readonly small: number;
  readonly deal: number;
  readonly price: number;
}

const scaleOf = ({ width, height }: Box): Scale => {
  const unit = Math.min(width / 63, height / 30);
  return { name: 3.4 * unit, small: 2.1 * unit, deal: 3 * unit, price: 9.5 * unit };
};

/**
 * One tag in its box: what it is at the top, what a deal asks for beneath, the price large at the lower right, in the
 * shape of a tag where a promotion made it, and beside it what belongs to the price, with the barcode.
 */
export function drawTag(pen: Pen, outer: Box, text: TagText, inset: number): void {
  const box = {
    ...{ x: outer.x + inset, y: outer.y + inset },
    ...{ width: outer.width - 2 * inset, height: outer.height - 2 * inset },
  };
  const scale = scaleOf(box);
  const under = head(pen, box, text, scale);
  const left = figure(pen, box, text, scale);
  const over = foot(pen, { ...box, width: left - box.x - scale.small }, text, scale);
  deals(
    pen,
    { ...box, y: under, height: Math.min(over, box.y + box.height - scale.price) - under },
    text,
    scale,
  );
}

/** @returns where what is beneath begins. */
function head(pen: Pen, box: Box, { name, badge, label }: TagText, scale: Scale): number {
  const strong: Setting = { face: 'strong', size: scale.name };
  let y = box.y;
  for (const line of wrapped(pen, name, box.width, strong, 2)) {
    y += scale.name * LEADING;
    pen.write(line, box.x, y - scale.name * 0.3, strong);
  }
  const said = [badge, label].filter(Boolean).join(' · ');
  if (said === '') return y;
  const setting: Setting = { face: 'text', size: scale.small * 1.1 };
  const [line = ''] = wrapped(pen, said, box.width, setting, 1);
  y += setting.size * LEADING;
  pen.write(line, box.x, y - setting.size * 0.3, setting);
  return y;
}

/** What there is no room for is set smaller, down to this. */
const SMALLER = [1, 0.85, 0.7, 0.6];

interface Line {
  readonly text: string;
  readonly setting: Setting;
}

const heightOf = (lines: readonly Line[]): number =>
  lines.reduce((sum, { setting }) => sum + setting.size * LEADING, 0);

/** What deals ask for and what it costs some, as large as there is room; the last lines go where even that is none. */
function deals(pen: Pen, box: Box, text: TagText, scale: Scale): void {
  let lines: readonly Line[] = [];
  for (const factor of SMALLER) {
    lines = dealLines(pen, box.width, text, scale, factor);
    if (heightOf(lines) <= box.height) break;
  }
  let y = box.y;
  for (const { text: words, setting } of lines) {
    y += setting.size * LEADING;
    if (y > box.y + box.height) return;
    pen.write(words, box.x, y - setting.size * 0.3, setting);
  }
}

function dealLines(
  pen: Pen,
  width: number,
  { deals: told, forSome }: TagText,
  scale: Scale,
  factor: number,
): Line[] {
  const large: Setting = { face: 'strong', size: scale.deal * factor };
  const small: Setting = { face: 'text', size: scale.small * 1.15 * factor };
  const put = (words: string, setting: Setting): Line[] =>
    wrapped(pen, words, width, setting, 2).map((text) => ({ text, setting }));
  return [
    ...told.flatMap(({ words, who, until, steps }) => [
      ...put(who === null ? words : `${who}: ${words}`, large),
      ...(steps ?? []).flatMap(([from, what]) => put(`${from}  ${what}`, small)),
      ...(until === null ? [] : put(until, small)),
    ]),
    ...forSome.flatMap((words) => put(words, large)),
  ];
}

/** The price at the lower right. @returns where it begins. */
function figure(pen: Pen, box: Box, { price, reduced }: TagText, scale: Scale): number {
  const whole: Setting = { face: 'figure', size: fitted(pen, box, price.whole, scale) };
  const rest: Setting = { face: 'figure', size: whole.size * 0.55 };
  const sign: Setting = { face: 'text', size: whole.size * 0.22 };
  const restWidth = Math.max(pen.widthOf(price.decimals, rest), pen.widthOf(price.currency, sign));
  const room = reduced ? whole.size * 0.18 : 0;
  const right = box.x + box.width - room;
  const baseline = box.y + box.height - room - whole.size * 0.08;
  const from = right - restWidth - pen.widthOf(price.whole, whole);
  pen.write(price.whole, from, baseline, whole);
  pen.write(price.decimals, right - restWidth, baseline - whole.size * 0.3, rest);
  pen.write(price.currency, right, baseline, { ...sign, align: 'right' });
  if (!reduced) return from;
  const [top, bottom] = [baseline - whole.size * 0.82, box.y + box.height];
  const tip = from - room - whole.size * 0.35;
  const edge = from - room;
  const end = box.x + box.width;
  const middle = (top + bottom) / 2;
  pen.outline(
    [
      [tip, middle],
      [edge, top],
      [end, top],
      [end, bottom],
      [edge, bottom],
    ],
    [tip + whole.size * 0.22, middle, whole.size * 0.06],
    whole.size * 0.025,
  );
  return tip;
}

/** Long prices are set smaller: half of the width is for what stands beside them. */
function fitted(pen: Pen, box: Box, whole: string, scale: Scale): number {
  const width = pen.widthOf(whole, { face: 'figure', size: scale.price });
  return scale.price * Math.min(1, (box.width * 0.4) / width);
}

/** From below: the barcode with its digits, and over it what belongs to the price. @returns where what is above it ends. */
function foot(pen: Pen, box: Box, text: TagText, scale: Scale): number {
  const small: Setting = { face: 'text', size: scale.small };
  const tiny: Setting = { face: 'text', size: scale.small * 0.85 };
  let y = box.y + box.height;
  const place = [text.sku, text.shelf].filter(Boolean).join(' · ');
  pen.write(place, box.x, y - tiny.size * 0.2, tiny);
  y -= tiny.size * LEADING;
  y = barcode(pen, { ...box, height: y - box.y }, text.gtin, scale);
  const before = [text.was, text.until].filter((line) => line !== null).join(', ');
  const lines = [before || null, text.perUnit, text.lowest].filter((line) => line !== null);
  for (const line of lines.reverse()) {
    for (const one of wrapped(pen, line, box.width, small, 2).reverse()) {
      pen.write(one, box.x, y - small.size * 0.3, small);
      y -= small.size * LEADING;
    }
  }
  return y;
}

/** A module is at least this wide, so that scanners tell bars apart (80 % of the nominal 0.33 mm). */
const MODULE = 0.264;

/** @returns where what is above it ends. */
function barcode(pen: Pen, box: Box, gtin: string | null, scale: Scale): number {
  const bottom = box.y + box.height;
  const code = gtin === null ? null : barcodeOf(gtin);
  if (!code) return bottom;
  const modules = code.widths.reduce((sum, width) => sum + width, 0);
  const module = Math.min(MODULE * Math.max(1, scale.small / 2.1), box.width / modules);
  if (module < MODULE * 0.95) return bottom;
  const digits: Setting = { face: 'text', size: scale.small * 0.85 };
  pen.write(code.digits, box.x, bottom - digits.size * 0.2, digits);
  const height = scale.small * 2.6;
  const top = bottom - digits.size * LEADING - height;
  let x = box.x;
  code.widths.forEach((width, i) => {
    if (i % 2 === 0) pen.fill({ x, y: top, width: width * module, height });
    x += width * module;
  });
  return top - scale.small * 0.3;
}
