import type { KeptDraft } from '../../contracts/index.ts';
import type { PromotionDocument } from '../../core/plan/index.ts';

/** Port: what people are writing, each for themselves. */
export interface DraftStore {
  keep(person: string, key: string, draft: object, revision: number | null): Promise<void>;
  find(person: string, key: string): Promise<KeptDraft | null>;
  /** How many are kept under other keys. */
  othersThan(person: string, key: string): Promise<number>;
  /** Newest first. */
  all(person: string): Promise<readonly KeptDraft[]>;
  drop(person: string, key: string): Promise<void>;
}

export interface StoredTemplate {
  readonly id: number;
  readonly name: string;
  readonly promotion: PromotionDocument;
}

/** Port: promotions to begin others from. */
export interface TemplateStore {
  all(): Promise<readonly StoredTemplate[]>;
  /** How many have another name. */
  othersThan(name: string): Promise<number>;
  /** One of the same name is replaced. */
  put(name: string, promotion: PromotionDocument, person: string): Promise<number>;
  drop(id: number): Promise<boolean>;
}
