/** A viewing condition: what a viewport is like to CSS. Lengths are CSS px. */
export interface Vantage {
	readonly name: string;
	readonly width: number;
	readonly height: number;
	/** Device pixels for one CSS px. */
	readonly density: number;
	/** The primary pointing device, and whether it can hover. */
	readonly pointer: 'none' | 'coarse' | 'fine';
	readonly hover: 'none' | 'hover';
	/** Any pointing device beside the primary one. */
	readonly anyPointer: readonly ('coarse' | 'fine')[];
	readonly anyHover: 'none' | 'hover';
	readonly colorScheme: 'light' | 'dark';
	readonly reducedMotion: boolean;
	readonly contrast: 'no-preference' | 'more' | 'less' | 'custom';
	readonly forcedColors: boolean;
	/** The text size set in the browser, px: 1em in a media query. */
	readonly defaultFontSize: number;
	readonly medium: 'screen' | 'print';
}

/** A desk-like vantage: mouse, density 1, light, text of 16 px. */
export const PLAIN: Vantage = {
	name: 'Plain',
	width: 1280,
	height: 800,
	density: 1,
	pointer: 'fine',
	hover: 'hover',
	anyPointer: ['fine'],
	anyHover: 'hover',
	colorScheme: 'light',
	reducedMotion: false,
	contrast: 'no-preference',
	forcedColors: false,
	defaultFontSize: 16,
	medium: 'screen'
};

const TOUCH = { pointer: 'coarse', hover: 'none', anyPointer: ['coarse'], anyHover: 'none' } as const;

/** The six vantages that ship; all made up. */
export const SHIPPED: readonly Vantage[] = [
	{ ...PLAIN, ...TOUCH, name: 'Pocket', width: 320, height: 568, density: 2 },
	{ ...PLAIN, ...TOUCH, name: 'Handset', width: 390, height: 780, density: 3 },
	{ ...PLAIN, ...TOUCH, name: 'Slate', width: 768, height: 1024, density: 2 },
	{ ...PLAIN, name: 'Notebook', width: 1280, height: 720, density: 2 },
	{ ...PLAIN, name: 'Desk', width: 1536, height: 864, density: 1 },
	{ ...PLAIN, name: 'Wall', width: 1920, height: 1080, density: 1 }
];
