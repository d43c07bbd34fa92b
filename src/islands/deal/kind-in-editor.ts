import type { ReactNode } from 'react';
import type { DealPreview } from '../../contracts/view/index.ts';
import type { PanelProps } from './panel-props.ts';

/** A panel that can be opened under the sentence, for what the sentence may not say yet. */
export interface Addition {
  readonly part: string;
  readonly words: string;
}

/** A further part of the sentence that is added by one press, with its place in the offer. */
export interface Growth<O> {
  readonly words: string;
  readonly part: string;
  readonly grown: () => O;
}

/** What the editor knows of a kind of deal. Methods, so that one kind fits where any is wanted. */
export interface KindInEditor<O> {
  /** The control by which a part of its words is changed. */
  Panel(props: PanelProps<O>): ReactNode;
  /** What it can say beside its sentence. */
  additions?(offer: O): readonly Addition[];
  growth?(offer: O): Growth<O>;
  /** What a shopper reads of it on the shelf. */
  ShelfCard?(props: { offer: O; preview: DealPreview }): ReactNode;
}
