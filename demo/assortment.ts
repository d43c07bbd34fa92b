/** Of what goods of one kind come in several of. */
export type Variety = 'scent' | 'flavour' | 'shade' | 'none';

/** A category: what it keeps of a price, in per cent, and its kinds as `name: sizes, unit, price of the middle size[, variety]`. */
export type CategoryText = readonly [name: string, margin: number, kinds: readonly string[]];

/** Department → category → kinds of goods. Sizes rise; `ml` and `g` are written as litres and kilograms from 1000 on. */
export const ASSORTMENT: Readonly<Record<string, readonly CategoryText[]>> = {
  Health: [
    [
      'Vitamins',
      48,
      [
        'Vitamin C: 30 60 120, tablets, 4.95',
        'Vitamin D: 30 60 120, capsules, 5.95',
        'Magnesium: 20 40 60, tablets, 4.45, flavour',
        'Zinc: 30 60 120, tablets, 4.25',
        'Multivitamin: 30 60 100, tablets, 6.95',
        'Iron tonic: 250 500 700, ml, 8.95',
      ],
    ],
    [
      'Colds and coughs',
      46,
      [
        'Throat pastilles: 20 40 60, pieces, 3.95, flavour',
        'Nasal spray: 10 20 30, ml, 4.45',
        'Chest rub: 50 100, g, 5.45',
        'Cough syrup: 100 200, ml, 6.95',
      ],
    ],
    [
      'First aid',
      50,
      [
        'Plasters: 10 20 40, pieces, 2.95',
        'Bandage: 2 4 8, m, 2.45',
        'Wound spray: 50 100, ml, 5.95',
        'Cooling pack: 1 2, pieces, 4.95',
      ],
    ],
    [
      'Teas',
      44,
      [
        'Camomile tea: 20 40, bags, 2.45',
        'Fennel tea: 20 40, bags, 2.25',
        'Sleep tea: 20 40, bags, 2.75',
        'Stomach tea: 20 40, bags, 2.75',
      ],
    ],
    [
      'Eye and ear',
      47,
      ['Lens fluid: 100 240 360, ml, 7.95', 'Eye drops: 10 15, ml, 6.95', 'Ear plugs: 3 5 10, pairs, 3.95'],
    ],
  ],
  Beauty: [
    [
      'Sun care',
      50,
      [
        'Sun milk: 100 200 400, ml, 9.95',
        'Sun spray: 150 200, ml, 11.95',
        'Children’s sun lotion: 200 300, ml, 12.95',
        'After-sun gel: 200 400, ml, 5.95',
        'Face sun cream: 50 75, ml, 10.95',
      ],
    ],
    [
      'Face',
      52,
      [
        'Day cream: 50 75, ml, 9.95',
        'Night cream: 50 75, ml, 10.95',
        'Cleansing milk: 200 400, ml, 4.95',
        'Face mask: 1 3 5, pieces, 4.45, scent',
        'Eye serum: 15 30, ml, 14.95',
      ],
    ],
    [
      'Hair',
      45,
      [
        'Shampoo: 250 400 500, ml, 3.95, scent',
        'Conditioner: 200 400, ml, 3.75, scent',
        'Hair oil: 50 100, ml, 7.95',
        'Styling wax: 75 100 150, ml, 4.95',
        'Colour rinse: 60 100, ml, 4.95, shade',
      ],
    ],
    [
      'Make-up',
      55,
      [
        'Lipstick: one, 6.95, shade',
        'Mascara: 8 12, ml, 8.95',
        'Nail varnish: 8 12, ml, 4.45, shade',
        'Powder: 9 12, g, 7.95, shade',
        'Eye pencil: one, 3.95, shade',
      ],
    ],
    [
      'Bath and shower',
      44,
      [
        'Shower gel: 250 400 500, ml, 2.95, scent',
        'Bath salts: 400 600 1000, g, 4.45, scent',
        'Hand soap: 250 500, ml, 2.75, scent',
        'Body lotion: 200 400 500, ml, 4.95, scent',
        'Bath pearls loose: kg, 11.95, scent',
      ],
    ],
    [
      'Oral care',
      45,
      [
        'Toothpaste: 75 100 125, ml, 2.25, flavour',
        'Toothbrush: 1 2 4, pieces, 3.45',
        'Mouthwash: 250 500 750, ml, 3.95, flavour',
        'Dental floss: 25 50 100, m, 2.45',
      ],
    ],
    [
      'Scents',
      50,
      [
        'Eau de toilette: 30 50 100, ml, 27.95, scent',
        'Body mist: 100 200 250, ml, 8.95, scent',
        'Room scent: 50 100 200, ml, 7.95, scent',
      ],
    ],
  ],
  Baby: [
    [
      'Nappies',
      38,
      [
        'Nappies newborn: 22 44 88, pieces, 8.95',
        'Nappies midi: 28 56 112, pieces, 12.95',
        'Nappies junior: 24 48 96, pieces, 13.95',
        'Swim nappies: 10 12 20, pieces, 6.95',
      ],
    ],
    [
      'Baby food',
      40,
      [
        'Carrot purée: 125 190, g, 1.25',
        'Apple purée: 100 190, g, 1.25',
        'Rice porridge: 250 400, g, 3.45',
        'Baby milk: 400 800 1200, g, 14.95',
      ],
    ],
    [
      'Baby care',
      44,
      [
        'Baby oil: 100 200 500, ml, 3.95',
        'Wet wipes: 40 80 160, pieces, 2.25',
        'Baby shampoo: 200 400, ml, 3.95',
        'Nappy balm: 50 75 150, ml, 4.95',
      ],
    ],
    [
      'Bottles and soothers',
      48,
      ['Bottle: 1 2, pieces, 11.95', 'Soother: 1 2 3, pieces, 6.95', 'Teething ring: 1 2, pieces, 7.95'],
    ],
  ],
  Household: [
    [
      'Laundry',
      40,
      [
        'Washing powder: 1000 2000 4000, g, 9.95',
        'Liquid detergent: 1000 1500 3000, ml, 8.95',
        'Softener: 750 1000 1500, ml, 3.45, scent',
        'Stain remover: 250 500 750, ml, 4.45',
      ],
    ],
    [
      'Cleaning',
      42,
      [
        'All-purpose cleaner: 750 1000 1500, ml, 2.75, scent',
        'Glass cleaner: 500 750, ml, 2.45',
        'Scouring milk: 500 750, ml, 1.95',
        'Descaler: 250 500 1000, ml, 4.45',
      ],
    ],
    [
      'Paper goods',
      36,
      [
        'Kitchen roll: 2 4 8, rolls, 2.75',
        'Tissues: 100 150 300, pieces, 2.45',
        'Toilet paper: 8 10 16, rolls, 4.95',
        'Napkins: 20 50 100, pieces, 2.25',
      ],
    ],
    [
      'Dishes',
      42,
      [
        'Washing-up liquid: 500 750 1000, ml, 2.25, scent',
        'Dishwasher tablets: 25 40 60, tablets, 8.95',
        'Rinse aid: 400 750, ml, 3.25',
      ],
    ],
    [
      'Candles',
      52,
      [
        'Pillar candle: 1 2 4, pieces, 5.95',
        'Tea lights: 20 50 100, pieces, 4.45',
        'Scented candle: 1 2, pieces, 8.95, scent',
      ],
    ],
  ],
  Photo: [
    [
      'Prints',
      55,
      [
        'Print sheet: 10 20 50, sheets, 4.95',
        'Photo paper: 20 50 100, sheets, 9.95',
        'Passport set: 4 8, prints, 9.95',
      ],
    ],
    [
      'Frames and albums',
      54,
      [
        'Frame: 1 2 4, pieces, 9.95, shade',
        'Album: 20 40 60, pages, 12.95',
        'Corners: 100 250 500, pieces, 4.95',
      ],
    ],
    [
      'Batteries',
      50,
      [
        'Batteries AA: 4 8 16, pieces, 6.95',
        'Batteries AAA: 4 8 16, pieces, 6.95',
        'Button cell: 1 2 4, pieces, 3.45',
      ],
    ],
  ],
  'Food and drink': [
    [
      'Snacks',
      40,
      [
        'Oat bar: 40 60, g, 1.15, flavour',
        'Rice cakes: 100 130, g, 1.65, flavour',
        'Nut mix: 100 150 200, g, 2.95',
        'Fruit chips: 50 75 100, g, 2.45',
      ],
    ],
    [
      'Drinks',
      38,
      [
        'Apple spritzer: 500 750 1000, ml, 1.35',
        'Still water: 500 1000 1500, ml, 0.75',
        'Oat drink: 500 1000, ml, 1.95',
        'Elderflower drink: 330 500 750, ml, 1.75',
      ],
    ],
    [
      'Loose goods',
      42,
      ['Almonds loose: kg, 15.95', 'Hazelnuts loose: kg, 17.95', 'Dried mango loose: kg, 19.95'],
    ],
  ],
};
