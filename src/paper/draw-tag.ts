import type { TagText } from '../core/shelf-tags/index.ts';
import { type Barcode, barcodeOf } from './barcode.ts';
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

/** What is taller than it is wide has the price across, and beneath it what belongs to it. */
const isTall = ({ width, height }: Box): boolean => height > width * 0.9;
/** There, letters have more room than the width of a tag would give them. */
const TALL = { name: 1.5, deal: 1.9, price: 3 };

/**
 * One tag in its box: what it is at the top, what a deal asks for beneath, the price large at the lower right, in the
 * shape of a tag where a promotion made it, and beside it, or beneath, what belongs to the price, with the barcode.
 * @returns whether there was room for all that it has to say.
 */
export function drawTag(pen: Pen, outer: Box, text: TagText, inset: number): boolean {
  const box = {
    ...{ x: outer.x + inset, y: outer.y + inset },
    ...{ width: outer.width - 2 * inset, height: outer.height - 2 * inset },
  };
  return isTall(box) ? drawTall(pen, box, text) : drawWide(pen, box, text);
}

function drawWide(pen: Pen, box: Box, text: TagText): boolean {
  const scale = scaleOf(box);
  const under = head(pen, box, text, scale);
  const left = figure(pen, box, text, { ...scale, part: 0.4 });
  const { over, fits } = foot(pen, { ...box, width: left - box.x - scale.small }, text, scale);
  const bottom = Math.min(over, box.y + box.height - scale.price);
  const told = deals(pen, { ...box, y: under, height: bottom - under }, text, scale);
  return told && fits;
}

function drawTall(pen: Pen, box: Box, text: TagText): boolean {
  const plain = scaleOf({ ...box, height: box.width });
  const scale = {
    small: plain.small * 1.2,
    name: plain.name * TALL.name,
    deal: plain.deal * TALL.deal,
    price: plain.price * TALL.price,
  };
  const under = head(pen, box, text, scale);
  const beneath = foot(pen, box, text, scale);
  const over = beneath.over - scale.small;
  const left = { ...box, height: over - box.y };
  figure(pen, left, text, { ...scale, part: 0.6 });
  const told = deals(pen, { ...box, y: under, height: over - scale.price - under }, text, scale);
  return told && beneath.fits;
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

/** What there is no room for is set smaller, then closer, down to these. */
const WAYS = [
  { factor: 1, close: false },
  { factor: 0.85, close: false },
  { factor: 0.85, close: true },
  { factor: 0.7, close: true },
  { factor: 0.6, close: true },
];
const LAST = { text: 'and more: ask at the till', setting: { face: 'text', size: 0 } as const };

interface Line {
  readonly text: string;
  readonly setting: Setting;
}

const heightOf = (lines: readonly Line[]): number =>
  lines.reduce((sum, { setting }) => sum + setting.size * LEADING, 0);

/**
 * What deals ask for and what it costs some, as large as there is room; where even that is none, that there is more.
 * @returns whether there was room for all of it.
 */
function deals(pen: Pen, box: Box, text: TagText, scale: Scale): boolean {
  let lines: readonly Line[] = [];
  for (const way of WAYS) {
    lines = dealLines(pen, box.width, text, scale, way);
    if (heightOf(lines) <= box.height) break;
  }
  const fits = heightOf(lines) <= box.height;
  let y = box.y;
  for (const { text: words, setting } of fits ? lines : cutTo(lines, box.height)) {
    y += setting.size * LEADING;
    pen.write(words, box.x, y - setting.size * 0.3, setting);
  }
  return fits;
}

/** As many lines as there is room for, the last of them that there is more. */
function cutTo(lines: readonly Line[], height: number): Line[] {
  const size = Math.min(...lines.map(({ setting }) => setting.size));
  const last: Line = { ...LAST, setting: { ...LAST.setting, size } };
  const kept = [...lines];
  while (kept.length > 0 && heightOf([...kept, last]) > height) kept.pop();
  return [...kept, last];
}

function dealLines(
  pen: Pen,
  width: number,
  { deals: told, forSome }: TagText,
  scale: Scale,
  { factor, close }: (typeof WAYS)[number],
): Line[] {
  const large: Setting = { face: 'strong', size: scale.deal * factor };
  const small: Setting = { face: 'text', size: scale.small * 1.15 * factor };
  const put = (words: string, setting: Setting): Line[] =>
    wrapped(pen, words, width, setting, 3).map((text) => ({ text, setting }));
  return [
    ...told.flatMap(({ words, who, until, steps = [] }) => {
      const beneath = [...steps.map(([from, what]) => `${from} ${what}`), ...(until === null ? [] : [until])];
      return [
        ...put(who === null ? words : `${who}: ${words}`, large),
        ...(close && beneath.length > 0 ? [beneath.join(', ')] : beneath).flatMap((one) => put(one, small)),
      ];
    }),
    ...forSome.flatMap((words) => put(words, large)),
  ];
}

/** The price at the lower right. @param scale with the part of the width that it may take. @returns where it begins. */
function figure(
  pen: Pen,
  box: Box,
  { price, reduced }: TagText,
  scale: Scale & { readonly part: number },
): number {
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

/** Long prices are set smaller: there is more than the whole of them. */
function fitted(pen: Pen, box: Box, whole: string, scale: Scale & { readonly part: number }): number {
  const width = pen.widthOf(whole, { face: 'figure', size: scale.price });
  return scale.price * Math.min(1, (box.width * scale.part) / width);
}

interface Foot {
  /** Where what is above it ends. */
  readonly over: number;
  /** Whether there was room for the barcode, where there is one. */
  readonly fits: boolean;
}

/** From below: the barcode with its digits, and over it what belongs to the price. */
function foot(pen: Pen, box: Box, text: TagText, scale: Scale): Foot {
  const small: Setting = { face: 'text', size: scale.small };
  const tiny: Setting = { face: 'text', size: scale.small * 0.85 };
  let y = box.y + box.height;
  const place = [text.sku, text.shelf].filter(Boolean).join(' · ');
  pen.write(place, box.x, y - tiny.size * 0.2, tiny);
  y -= tiny.size * LEADING;
  const bars = text.gtin === null ? null : barcodeOf(text.gtin);
  const top = bars && barcode(pen, { ...box, height: y - box.y }, bars, scale);
  y = top ?? y;
  const before = [text.was, text.until].filter((line) => line !== null).join(', ');
  const lines = [before || null, text.perUnit, text.lowest].filter((line) => line !== null);
  for (const line of lines.reverse()) {
    for (const one of wrapped(pen, line, box.width, small, 2).reverse()) {
      pen.write(one, box.x, y - small.size * 0.3, small);
      y -= small.size * LEADING;
    }
  }
  return { over: y, fits: bars === null || top !== null };
}

/** A module is at least this wide, so that scanners tell bars apart (80 % of the nominal 0.33 mm). */
const MODULE = 0.264;

/** @returns where what is above it ends; null where there is no room for it. */
function barcode(pen: Pen, box: Box, code: Barcode, scale: Scale): number | null {
  const bottom = box.y + box.height;
  const modules = code.widths.reduce((sum, width) => sum + width, 0);
  const module = Math.min(MODULE * Math.max(1, scale.small / 2.1), box.width / modules);
  if (module < MODULE * 0.95) return null;
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
