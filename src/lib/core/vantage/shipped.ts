import { rationalFromNumber } from '../interval/index.ts';
import { vantageSchema, type Vantage } from './vantage.ts';

/** A vantage like a desktop: mouse, density 1, light, text of 16 px. */
export const PLAIN: Vantage = vantageSchema.parse({ name: 'Plain', width: 1280, height: 800 });

/** The px of one em in a query of a plain window. */
export const EM = rationalFromNumber(PLAIN.defaultFontSize);

const TOUCH = { pointer: 'coarse', hover: 'none', anyPointer: ['coarse'], anyHover: 'none' } as const;
const AREAS = PLAIN.safeAreas;

/** The six shipped vantages; all made up. */
export const SHIPPED: readonly Vantage[] = [
	{
		...{ ...PLAIN, ...TOUCH, name: 'Pocket', width: 320, height: 600, density: 2 },
		bars: { top: 56, bottom: 0, state: 'out' }
	},
	{
		...{ ...PLAIN, ...TOUCH, name: 'Handset', width: 400, height: 800, density: 2.5 },
		bars: { top: 0, bottom: 64, state: 'out' },
		safeAreas: { ...AREAS, bottom: 28 }
	},
	{
		...{ ...PLAIN, ...TOUCH, name: 'Slate', width: 800, height: 1100, density: 2 },
		bars: { top: 50, bottom: 0, state: 'out' },
		safeAreas: { ...AREAS, bottom: 16 }
	},
	{ ...PLAIN, name: 'Notebook', width: 1300, height: 740, density: 2 },
	{ ...PLAIN, name: 'Desk', width: 1560, height: 880, density: 1, scrollbar: 15 },
	{ ...PLAIN, name: 'Wall', width: 1900, height: 1060, density: 1, scrollbar: 15 }
];

/** Names of the shipped vantages that are shown beside the lead until somebody chooses. */
export const FIRST_CHORUS: readonly string[] = ['Handset', 'Slate', 'Notebook'];
