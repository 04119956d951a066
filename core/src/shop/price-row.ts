/** A line of the shop's price list: what a part costs here, and on which terms it is had. */
import { Type, type Static } from '@sinclair/typebox';

const Months = Type.Integer({ minimum: 0, maximum: 600 });

export const priceRowSchema = Type.Object(
  {
    /** Number printed on the part; the key of the list. */
    number: Type.String({ minLength: 1, maxLength: 120 }),
    name: Type.Optional(Type.String({ maxLength: 200 })),
    price: Type.Optional(Type.Number({ minimum: 0, maximum: 1e9 })),
    /** How many lie here. */
    stock: Type.Optional(Type.Integer({ minimum: 0, maximum: 1e6 })),
    leadHours: Type.Optional(Type.Number({ minimum: 0, maximum: 87_600 })),
    /** Whether it can go back unused. */
    returnable: Type.Optional(Type.Boolean()),
    /** Share of the price that is kept when it does. */
    restock: Type.Optional(Type.Number({ minimum: 0, maximum: 1 })),
    /** Days within which it, or the old one, must be sent back. */
    sendBackDays: Type.Optional(Type.Integer({ minimum: 0, maximum: 3650 })),
    /** Months of warranty from the day it is fitted. */
    partsMonths: Type.Optional(Months),
    labourMonths: Type.Optional(Months),
    /** Number of the part that took its place. */
    supersededBy: Type.Optional(Type.String({ minLength: 1, maxLength: 120 })),
  },
  { additionalProperties: false, $id: 'price-row' },
);
export type PriceRow = Readonly<Static<typeof priceRowSchema>>;
export type PriceColumn = keyof PriceRow;

/** Numbers that mean the same part: case, spaces and dashes do not tell parts apart. */
export const numberKey = (number: string): string =>
  number
    .normalize('NFKC')
    .toUpperCase()
    .replace(/[‐-―−]/g, '-')
    .replace(/\s+/g, '');
