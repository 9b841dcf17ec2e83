import type { Vantage } from '$lib/core/vantage/index.ts';

/**
 * A field of the form: its path in a vantage, and its kind of input. `factor`: what the form shows per stored unit.
 */
export type FormField = { readonly label: string; readonly path: string } & (
	| { readonly kind: 'text' | 'tick' }
	| { readonly kind: 'number'; readonly unit: string; readonly factor?: number }
	| { readonly kind: 'choice'; readonly values: readonly string[] }
	/** One of the values of a list, included or not. */
	| { readonly kind: 'member'; readonly value: string }
);

const px = (label: string, path: string): FormField => ({ kind: 'number', label, path, unit: 'px' });
const choice = (label: string, path: keyof Vantage | 'bars.state', ...values: string[]): FormField => ({
	kind: 'choice',
	label,
	path,
	values
});
const tick = (label: string, path: keyof Vantage): FormField => ({ kind: 'tick', label, path });

export const GROUPS: readonly { readonly title: string; readonly fields: readonly FormField[] }[] = [
	{
		title: 'Window',
		fields: [
			{ kind: 'text', label: 'Name', path: 'name' },
			px('Width', 'width'),
			px('Height, browser bars shown', 'height'),
			{ kind: 'number', label: 'Density', path: 'density', unit: '×' },
			{ kind: 'number', label: 'Zoom', path: 'zoom', unit: '%', factor: 100 },
			px('Scrollbar takes', 'scrollbar')
		]
	},
	{
		title: 'Browser bars and safe area',
		fields: [
			px('Bar at the top', 'bars.top'),
			px('Bar at the foot', 'bars.bottom'),
			choice('Bars are', 'bars.state', 'out', 'in'),
			px('Safe area, top', 'safeAreas.top'),
			px('Safe area, right', 'safeAreas.right'),
			px('Safe area, foot', 'safeAreas.bottom'),
			px('Safe area, left', 'safeAreas.left')
		]
	},
	{
		title: 'Pointer',
		fields: [
			choice('Primary pointer', 'pointer', 'fine', 'coarse', 'none'),
			choice('The primary can', 'hover', 'hover', 'none'),
			choice('Any pointer can', 'anyHover', 'hover', 'none'),
			{ kind: 'member', label: 'one is fine', path: 'anyPointer', value: 'fine' },
			{ kind: 'member', label: 'one is coarse', path: 'anyPointer', value: 'coarse' }
		]
	},
	{
		title: 'Preferences and medium',
		fields: [
			choice('Colour scheme', 'colorScheme', 'light', 'dark'),
			choice('Contrast', 'contrast', 'no-preference', 'more', 'less', 'custom'),
			px('Text size', 'defaultFontSize'),
			choice('Medium', 'medium', 'screen', 'print'),
			choice('Films', 'films', 'play', 'still', 'none'),
			tick('less motion', 'reducedMotion'),
			tick('text spaced (WCAG 1.4.12)', 'textSpacing'),
			tick('forced colours (in queries only)', 'forcedColors')
		]
	}
];

type Tree = Record<string, unknown>;

/** The value at a path of names joined by dots. */
export const valueAt = (tree: object, path: string): unknown =>
	path.split('.').reduce<unknown>((part, name) => (part as Tree)[name], tree);

/** A copy of a tree with another value at a path. */
export function withValue<T extends object>(tree: T, path: string, value: unknown): T {
	const [name = '', ...rest] = path.split('.');
	const inner = (tree as Tree)[name];
	return { ...tree, [name]: rest.length > 0 ? withValue(inner as object, rest.join('.'), value) : value };
}
