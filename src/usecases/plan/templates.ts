import {
  done,
  failed,
  invalid,
  may,
  type Outcome,
  type Person,
  type TemplateView,
  writingOf,
} from '../../contracts/index.ts';
import { namesOf, promotionText } from '../../core/sentence/index.ts';
import { seenBy, seenPromotion } from '../people/index.ts';
import type { PlanBook, TemplateStore } from '../ports/index.ts';
import { readPromotionInput } from './save-promotion.ts';

/** All are read to list them; a chain begins from a few dozen. */
const MOST_TEMPLATES = 500;

type Ports = { book: PlanBook; templates: TemplateStore };

/** To people of single stores templates are not there: they plan nothing, and most are of other stores. */
export async function listTemplates(ports: Ports, person: Person): Promise<TemplateView[]> {
  if (!may(person, 'see') || person.stores !== null) return [];
  const { document, compiled } = await seenBy(ports.book, person);
  const names = namesOf(document, writingOf(person));
  const all = await ports.templates.all();
  return all.map(({ promotion: kept, ...template }) => {
    const promotion = seenPromotion(kept, compiled, person) ?? kept;
    return { ...template, promotion, sentence: promotionText(promotion, document.currency, names) };
  });
}

/** Keeps a promotion to begin others from; one of the same name is replaced. */
export async function keepTemplate(
  ports: Ports,
  person: Person,
  input: { name: string; promotion: unknown },
): Promise<Outcome<{ id: number }>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  if (input.name.trim() === '') return invalid(['name'], 'nothing stands here', 'a name');
  const { document } = await ports.book.current();
  const read = readPromotionInput(input.promotion, document);
  if (!read.ok) return read;
  const name = input.name.trim();
  const others = await ports.templates.othersThan(name);
  if (others >= MOST_TEMPLATES)
    return invalid([], `${others} templates are kept already`, 'one of them dropped, or an old one replaced');
  return done({ id: await ports.templates.put(name, read.value, person.id) });
}

export async function dropTemplate(
  ports: Pick<Ports, 'templates'>,
  person: Person,
  id: number,
): Promise<Outcome<object>> {
  if (!may(person, 'plan')) return failed({ kind: 'forbidden' });
  return (await ports.templates.drop(id)) ? done({}) : failed({ kind: 'not-found', what: `template ${id}` });
}
