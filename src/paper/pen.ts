import PDFDocument from 'pdfkit';
import { type Face, fontFile, type Script, scriptOf } from './fonts.ts';
import type { Box } from './papers.ts';

/** Points of a millimetre. */
const POINTS = 72 / 25.4;

export interface Setting {
  readonly face: Face;
  /** Height of the letters' body, in millimetres. */
  readonly size: number;
  readonly align?: 'left' | 'right';
}

/** Draws on pages; lengths are in millimetres from the upper left corner. */
export interface Pen {
  page(size: { readonly width: number; readonly height: number }): void;
  widthOf(text: string, setting: Setting): number;
  /** One line; `x` is where it begins, or ends where it is set to the right. */
  write(text: string, x: number, baseline: number, setting: Setting): void;
  fill(box: Box): void;
  line(from: readonly [number, number], to: readonly [number, number], width: number): void;
  /** An outline through points, with a round hole. */
  outline(
    points: readonly (readonly [number, number])[],
    hole: readonly [number, number, number],
    width: number,
  ): void;
  end(): Promise<Buffer>;
}

/** @param title of the document. */
export function pen(title: string, day: string): Pen {
  const doc = new PDFDocument({
    // No face to begin with: the standard ones are not put into the file.
    ...{ autoFirstPage: false, compress: true, font: '' },
    // Its own date would make every copy another file.
    info: { Title: title, CreationDate: new Date(`${day}T00:00:00Z`) },
  });
  const chunks: Buffer[] = [];
  doc.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<Buffer>((resolve) => doc.on('end', () => resolve(Buffer.concat(chunks))));
  const known = new Set<string>();
  function choose(face: Face, script: Script, size: number): void {
    const name = `${face} ${script}`;
    if (!known.has(name)) doc.registerFont(name, fontFile(face, script));
    known.add(name);
    doc.font(name).fontSize(size * POINTS);
  }
  function widthOf(text: string, { face, size }: Setting): number {
    let width = 0;
    for (const run of runsOf(text)) {
      choose(face, run.script, size);
      width += doc.widthOfString(run.text) / POINTS;
    }
    return width;
  }
  return {
    page: ({ width, height }) => {
      doc.addPage({ size: [width * POINTS, height * POINTS], margin: 0 });
    },
    widthOf,
    write(text, x, baseline, setting) {
      let at = setting.align === 'right' ? x - widthOf(text, setting) : x;
      for (const run of runsOf(text)) {
        choose(setting.face, run.script, setting.size);
        doc.text(run.text, at * POINTS, baseline * POINTS, { lineBreak: false, baseline: 'alphabetic' });
        at += doc.widthOfString(run.text) / POINTS;
      }
    },
    fill: ({ x, y, width, height }) => {
      doc.rect(x * POINTS, y * POINTS, width * POINTS, height * POINTS).fill('black');
    },
    line: (from, to, width) => {
      doc
        .lineWidth(width * POINTS)
        .moveTo(from[0] * POINTS, from[1] * POINTS)
        .lineTo(to[0] * POINTS, to[1] * POINTS)
        .stroke('black');
    },
    outline(points, [x, y, radius], width) {
      doc.lineWidth(width * POINTS);
      doc.polygon(...points.map(([a, b]) => [a * POINTS, b * POINTS] as [number, number])).stroke('black');
      doc.circle(x * POINTS, y * POINTS, radius * POINTS).stroke('black');
    },
    end() {
      doc.end();
      return ended;
    },
  };
}

interface Run {
  readonly text: string;
  readonly script: Script;
}

/** Neighbouring letters of one file of the face. */
function runsOf(text: string): Run[] {
  const runs: { text: string; script: Script }[] = [];
  for (const letter of text) {
    const script = scriptOf(letter);
    const last = runs.at(-1);
    if (last?.script === script) last.text += letter;
    else runs.push({ text: letter, script });
  }
  return runs;
}

/** Lines of words that fit a width; what does not fit the last one is cut with "…". */
export function wrapped(pen: Pen, text: string, width: number, setting: Setting, most: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line === '' || pen.widthOf(longer, setting) <= width) line = longer;
    else {
      lines.push(line);
      line = word;
    }
  }
  lines.push(line);
  const kept = lines.slice(0, most);
  if (lines.length > most) kept[most - 1] = `${kept[most - 1]} …`;
  return kept.map((one) => cut(pen, one, width, setting));
}

function cut(pen: Pen, text: string, width: number, setting: Setting): string {
  if (pen.widthOf(text, setting) <= width) return text;
  const letters = [...text.replace(/ ?…$/, '')];
  while (letters.length > 1 && pen.widthOf(`${letters.join('')}…`, setting) > width) letters.pop();
  return `${letters.join('')}…`;
}
