/** Department → category → kinds of goods, each with the range of its prices in euro. */
export interface GoodsKind {
  readonly name: string;
  readonly low: number;
  readonly high: number;
}
type Category = readonly [name: string, kinds: string, low: number, high: number];

const DEPARTMENTS: Readonly<Record<string, readonly Category[]>> = {
  Health: [
    ['Vitamins', 'Vitamin C, Vitamin D, Magnesium, Zinc, Multivitamin, Iron tonic', 3, 18],
    ['Colds and coughs', 'Throat pastilles, Nasal spray, Chest rub, Cough syrup', 2, 14],
    ['First aid', 'Plasters, Bandage, Wound spray, Cooling pack', 2, 12],
    ['Teas', 'Camomile tea, Fennel tea, Sleep tea, Stomach tea', 1, 5],
    ['Eye and ear', 'Lens fluid, Eye drops, Ear plugs', 3, 15],
  ],
  Beauty: [
    ['Sun care', 'Sun milk, Sun spray, Children’s sun lotion, After-sun gel, Face sun cream', 4, 25],
    ['Face', 'Day cream, Night cream, Cleansing milk, Face mask, Eye serum', 3, 32],
    ['Hair', 'Shampoo, Conditioner, Hair oil, Styling wax, Colour rinse', 2, 15],
    ['Make-up', 'Lipstick, Mascara, Nail varnish, Powder, Eye pencil', 3, 18],
    ['Bath and shower', 'Shower gel, Bath salts, Hand soap, Body lotion', 1, 9],
    ['Oral care', 'Toothpaste, Toothbrush, Mouthwash, Dental floss', 1, 9],
    ['Scents', 'Eau de toilette, Body mist, Room scent', 6, 48],
  ],
  Baby: [
    ['Nappies', 'Nappies newborn, Nappies midi, Nappies junior, Swim nappies', 4, 22],
    ['Baby food', 'Carrot purée, Apple purée, Rice porridge, Baby milk', 1, 16],
    ['Baby care', 'Baby oil, Wet wipes, Baby shampoo, Nappy balm', 2, 9],
    ['Bottles and soothers', 'Bottle, Soother, Teething ring', 3, 14],
  ],
  Household: [
    ['Laundry', 'Washing powder, Liquid detergent, Softener, Stain remover', 3, 19],
    ['Cleaning', 'All-purpose cleaner, Glass cleaner, Scouring milk, Descaler', 1, 8],
    ['Paper goods', 'Kitchen roll, Tissues, Toilet paper, Napkins', 1, 9],
    ['Dishes', 'Washing-up liquid, Dishwasher tablets, Rinse aid', 1, 14],
    ['Candles', 'Pillar candle, Tea lights, Scented candle', 1, 12],
  ],
  Photo: [
    ['Prints', 'Print sheet, Photo paper, Passport set', 1, 14],
    ['Frames and albums', 'Frame, Album, Corners', 3, 28],
    ['Batteries', 'Batteries AA, Batteries AAA, Button cell', 3, 14],
  ],
  'Food and drink': [
    ['Snacks', 'Oat bar, Rice cakes, Nut mix, Fruit chips', 1, 5],
    ['Drinks', 'Apple spritzer, Still water, Oat drink, Elderflower drink', 1, 4],
    ['Loose goods', 'Almonds loose, Dried mango loose, Bath pearls loose', 8, 24],
  ],
};

export interface HierarchyNode {
  readonly id: string;
  readonly name: string;
  readonly parent?: string;
  /** On the lowest level: what stands there. */
  readonly kind?: GoodsKind;
}

export const slug = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{Mark}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');

/** All nodes, parents first. */
export function hierarchy(): HierarchyNode[] {
  return Object.entries(DEPARTMENTS).flatMap(([department, categories]) => [
    { id: slug(department), name: department },
    ...categories.flatMap(([category, kinds, low, high]) => [
      { id: slug(category), name: category, parent: slug(department) },
      ...kinds
        .split(', ')
        .map((name) => ({ id: slug(name), name, parent: slug(category), kind: { name, low, high } })),
    ]),
  ]);
}
