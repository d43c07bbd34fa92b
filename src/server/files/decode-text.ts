import iconv from 'iconv-lite';

/**
 * The text of a file: UTF-8 with or without a mark, UTF-16 with one; bytes that are no UTF-8 are taken as Windows-1252,
 * which older spreadsheets write.
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: string } {
  const marked = MARKS.find(({ mark }) => mark.every((byte, i) => bytes[i] === byte));
  if (marked) return { text: new TextDecoder(marked.encoding).decode(bytes), encoding: marked.encoding };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'utf-8' };
  } catch {
    // Node's own decoder takes Windows-1252 for Latin-1, and would lose the euro sign.
    return { text: iconv.decode(Buffer.from(bytes), 'windows-1252'), encoding: 'windows-1252' };
  }
}

const MARKS = [
  { encoding: 'utf-8', mark: [0xef, 0xbb, 0xbf] },
  { encoding: 'utf-16le', mark: [0xff, 0xfe] },
  { encoding: 'utf-16be', mark: [0xfe, 0xff] },
] as const;
