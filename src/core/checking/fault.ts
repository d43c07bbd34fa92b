/** Something wrong in a document: where, what, and what would be right. */
export interface Fault {
  /** Keys and indexes from the root of the document. */
  readonly path: readonly (string | number)[];
  readonly what: string;
  readonly wanted: string;
}

/** JSON pointer of RFC 6901. */
export const jsonPointer = (path: Fault['path']): string =>
  path.map((part) => `/${String(part).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

/** One line: pointer, what is wrong, what would be right. */
export const describeFault = (fault: Fault): string =>
  `${jsonPointer(fault.path) || '/'}: ${fault.what}; wanted: ${fault.wanted}`;
