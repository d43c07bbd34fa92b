/** A made-up brand: where it is at home, and what its goods cost beside others. */
export interface Brand {
  readonly name: string;
  /** 1: middling. */
  readonly level: number;
}

const brand = (name: string, level: number): Brand => ({ name, level });

/** The chain's own label is in every department; the others keep to theirs. */
export const OWN_LABEL = brand('Quillmere', 0.75);

export const BRANDS: Readonly<Record<string, readonly Brand[]>> = {
  Health: [
    OWN_LABEL,
    brand('Alderwen', 1),
    brand('Brisholt', 1.15),
    brand('Harrowmint', 0.9),
    brand('Nettlecombe', 1.05),
    brand('Orsolin', 1.3),
  ],
  Beauty: [
    OWN_LABEL,
    brand('Elspire', 1.25),
    brand('Juniper & Vane', 1.4),
    brand('Kestova', 1),
    brand('Lumarel', 1.1),
    brand('Rosmarra', 0.95),
    brand('Sablewick', 0.85),
    brand('Velloway', 1.2),
  ],
  Baby: [
    OWN_LABEL,
    brand('Fennick', 1),
    brand('Merrowyn', 1.15),
    brand('Pellowe', 0.9),
    brand('Wrenfold', 1.25),
  ],
  Household: [
    OWN_LABEL,
    brand('Cawdrey', 1),
    brand('Dunmarrow', 0.85),
    brand('Gallowby', 1.1),
    brand('Isenbrook', 1.2),
  ],
  Photo: [OWN_LABEL, brand('Quennel', 1.1), brand('Umberlea', 0.95)],
  'Food and drink': [OWN_LABEL, brand('Nettlecombe', 1.1), brand('Tavishmoor', 1)],
};

/** Lines within a brand, dearer or cheaper than its plain one. */
export const LINES: readonly Brand[] = [
  brand('', 1),
  brand('Sensitive', 1.1),
  brand('Classic', 0.95),
  brand('Fresh', 1),
  brand('Extra', 1.15),
  brand('Pure', 1.05),
  brand('Daily', 0.9),
  brand('Gentle', 1.05),
  brand('Intense', 1.2),
  brand('Natural', 1.25),
];

export const VARIETIES = {
  scent: [
    'Lavender',
    'Citrus',
    'Sea salt',
    'Rose',
    'Oat',
    'Aloe',
    'Almond',
    'Green tea',
    'Unscented',
    'Vanilla',
  ],
  flavour: ['Mint', 'Lemon', 'Honey', 'Orange', 'Apple', 'Cherry', 'Ginger', 'Berry'],
  shade: ['Copper', 'Chestnut', 'Berry', 'Sand', 'Rosewood', 'Plum', 'Amber', 'Night'],
} as const;
