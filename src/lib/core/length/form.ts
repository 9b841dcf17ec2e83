import { add, compare, multiply, ONE, rational, ZERO, type Rational } from '../interval/index.ts';

/** A straight line over viewport width: `constant + slope × width`, CSS px (or a plain number). */
export interface Line {
	readonly kind: 'line';
	readonly constant: Rational;
	readonly slope: Rational;
}

/** A quantity as an exact function of viewport width: lines, and minima and maxima of such functions. */
export type Form = Line | { readonly kind: 'min' | 'max'; readonly of: readonly Form[] };

/** A form with its type: `length` in CSS px, or a number. */
export interface Quantity {
	readonly type: 'length' | 'number';
	readonly form: Form;
}

/** What lengths in a media query are relative to: CSS px. `em` and `rem` are the initial font size there. */
export interface LengthContext {
	readonly em: Rational;
	/** Heights of the small, the large and the dynamic viewport (CSS Values 4 §6.1.2.1). */
	readonly heights: { readonly small: Rational; readonly large: Rational; readonly dynamic: Rational };
}

export const line = (constant: Rational, slope: Rational = ZERO): Line => ({
	kind: 'line',
	constant,
	slope
});

/** Px in one unit of each absolute length (CSS Values 4 §6.2). */
export const ABSOLUTE: Readonly<Record<string, Rational>> = {
	px: ONE,
	cm: rational(9600, 254),
	mm: rational(960, 254),
	q: rational(240, 254),
	in: rational(96),
	pt: rational(4, 3),
	pc: rational(16)
};

/** The viewport dimension that a unit is a hundredth of; `vi` and `vb` as in horizontal text. */
export interface ViewportUnit {
	readonly size: 'small' | 'large' | 'dynamic';
	readonly axis: 'width' | 'height' | 'min' | 'max';
}

const AXES = { w: 'width', i: 'width', h: 'height', b: 'height', min: 'min', max: 'max' } as const;
const SIZES = { s: 'small', d: 'dynamic', l: 'large', '': 'large' } as const;

/** The viewport unit of a name (CSS Values 4 §6.1.2); undefined for others. */
export function viewportUnit(name: string): ViewportUnit | undefined {
	const [, size = '', axis] = /^([sld]?)v(w|h|i|b|min|max)$/.exec(name) ?? [];
	if (!axis) return undefined;
	return { size: SIZES[size as keyof typeof SIZES], axis: AXES[axis as keyof typeof AXES] };
}

/** The value of a form that does not depend on width; undefined where it does. */
export function constantOf(form: Form): Rational | undefined {
	if (form.kind === 'line') return form.slope.n === 0n ? form.constant : undefined;
	const parts = form.of.map(constantOf);
	return parts.reduce((best, part) => {
		if (!best || !part) return undefined;
		return compare(part, best) < 0 === (form.kind === 'min') ? part : best;
	});
}

/** The value of a form at one width (CSS px). */
export function valueAt(form: Form, width: Rational): Rational {
	if (form.kind === 'line') return add(form.constant, multiply(form.slope, width));
	return form.of
		.map((part) => valueAt(part, width))
		.reduce((best, part) => (compare(part, best) < 0 === (form.kind === 'min') ? part : best));
}
