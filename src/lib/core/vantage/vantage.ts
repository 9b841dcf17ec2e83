import * as z from 'zod';

const px = (least: number, most: number) => z.number().min(least).max(most);
const bar = px(0, 400);
const inset = px(0, 200);

const NO_BARS = { top: 0, bottom: 0, state: 'out' } as const;
const NO_AREAS = { top: 0, right: 0, bottom: 0, left: 0 } as const;

/** The fields of a vantage, with what holds where one is left out. Lengths are CSS px at zoom 1. */
export const vantageSchema = z
	.strictObject({
		name: z.string().trim().min(1).max(60).describe('Unique among the vantages of a site.'),
		width: px(100, 7680).describe('Width of the window, px.'),
		height: px(100, 7680).describe('Height of the page in the window while all browser bars are out, px.'),
		density: z.number().min(0.5).max(5).default(1).describe('Device pixels for one CSS px.'),
		pointer: z.enum(['none', 'coarse', 'fine']).default('fine').describe('The primary pointing device.'),
		hover: z.enum(['none', 'hover']).default('hover').describe('Whether the primary one can hover.'),
		anyPointer: z
			.array(z.enum(['coarse', 'fine']))
			.readonly()
			.default(['fine'])
			.describe('Kinds of all pointing devices.'),
		anyHover: z.enum(['none', 'hover']).default('hover').describe('Whether any of them can hover.'),
		bars: z
			.strictObject({ top: bar, bottom: bar, state: z.enum(['out', 'in']) })
			.readonly()
			.default(NO_BARS)
			.describe(
				'Heights of the browser bars that slide, px, and whether they are out (seen) or in (slid away).'
			),
		safeAreas: z
			.strictObject({ top: inset, right: inset, bottom: inset, left: inset })
			.readonly()
			.default(NO_AREAS)
			.describe(
				'Insets of the safe area, px; a page has them where its viewport meta says viewport-fit=cover.'
			),
		colorScheme: z.enum(['light', 'dark']).default('light').describe('The preferred colour scheme.'),
		reducedMotion: z.boolean().default(false).describe('Whether less motion is preferred.'),
		contrast: z
			.enum(['no-preference', 'more', 'less', 'custom'])
			.default('no-preference')
			.describe('The preferred contrast.'),
		forcedColors: z.boolean().default(false).describe('What (forced-colors) says; colours are not forced.'),
		defaultFontSize: px(6, 72).default(16).describe('The text size set in the browser, px.'),
		textSpacing: z.boolean().default(false).describe('Text spaced out as in WCAG 2.2, 1.4.12.'),
		zoom: z.number().min(0.25).max(5).default(1).describe('Zoom of the browser: 2 is 200 %.'),
		medium: z.enum(['screen', 'print']).default('screen').describe('The medium.'),
		films: z
			.enum(['play', 'still', 'none'])
			.default('play')
			.describe('Whether films play, stand still, or have not come yet.'),
		scrollbar: px(0, 40)
			.default(0)
			.describe('Room that a scrollbar takes, px; 0 where it lies over the page.')
	})
	.readonly();

/** A viewing condition: what a viewport is like to CSS. */
export type Vantage = z.infer<typeof vantageSchema>;
