import * as z from 'zod/mini';

const px = (least: number, most: number) => z.number().check(z.minimum(least), z.maximum(most));
const bar = px(0, 400);
const inset = px(0, 200);

const NO_BARS = { top: 0, bottom: 0, state: 'out' } as const;
const NO_AREAS = { top: 0, right: 0, bottom: 0, left: 0 } as const;

/** An optional field: what it is, in words, and its default. */
const field = <S extends z.ZodMiniType>(
	schema: S,
	description: string,
	missing: z.util.NoUndefined<z.core.output<S>>
) => z._default(schema, missing).check(z.describe(description));

/** The fields of a vantage with their defaults. Lengths are CSS px at zoom 1. */
export const vantageSchema = z.readonly(
	z.strictObject({
		name: z
			.string()
			.check(z.trim(), z.minLength(1), z.maxLength(60), z.describe('Unique among the vantages of a site.')),
		width: px(100, 7680).check(z.describe('Width of the window, px.')),
		height: px(100, 7680).check(
			z.describe('Height of the page in the window while all browser bars are out, px.')
		),
		density: field(px(0.5, 5), 'Device pixels for one CSS px.', 1),
		pointer: field(z.enum(['none', 'coarse', 'fine']), 'The primary pointing device.', 'fine'),
		hover: field(z.enum(['none', 'hover']), 'Whether the primary one can hover.', 'hover'),
		anyPointer: field(z.readonly(z.array(z.enum(['coarse', 'fine']))), 'Kinds of all pointing devices.', [
			'fine'
		]),
		anyHover: field(z.enum(['none', 'hover']), 'Whether any of them can hover.', 'hover'),
		bars: field(
			z.readonly(z.strictObject({ top: bar, bottom: bar, state: z.enum(['out', 'in']) })),
			'Heights of the browser bars that slide, px, and whether they are out (seen) or in (slid away).',
			NO_BARS
		),
		safeAreas: field(
			z.readonly(z.strictObject({ top: inset, right: inset, bottom: inset, left: inset })),
			'Insets of the safe area, px; a page has them where its viewport meta says viewport-fit=cover.',
			NO_AREAS
		),
		colorScheme: field(z.enum(['light', 'dark']), 'The preferred colour scheme.', 'light'),
		reducedMotion: field(z.boolean(), 'Whether less motion is preferred.', false),
		contrast: field(
			z.enum(['no-preference', 'more', 'less', 'custom']),
			'The preferred contrast.',
			'no-preference'
		),
		forcedColors: field(z.boolean(), 'What (forced-colors) says; colours are not forced.', false),
		defaultFontSize: field(px(6, 72), 'The text size set in the browser, px.', 16),
		textSpacing: field(z.boolean(), 'Text spaced out as in WCAG 2.2, 1.4.12.', false),
		zoom: field(px(0.25, 5), 'Zoom of the browser: 2 is 200 %.', 1),
		medium: field(z.enum(['screen', 'print']), 'The medium.', 'screen'),
		films: field(
			z.enum(['play', 'still', 'none']),
			'Whether films play, stand still, or have not come yet.',
			'play'
		),
		scrollbar: field(px(0, 40), 'Room that a scrollbar takes, px; 0 where it lies over the page.', 0)
	})
);

/** A viewing condition: everything about a viewport that CSS depends on. */
export type Vantage = z.infer<typeof vantageSchema>;
