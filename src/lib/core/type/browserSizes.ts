import { rational, type Rational } from '../interval/index.ts';

/** The default text size of the browser's own `monospace`, px, in engines. */
export const FIXED = 13;
/** What the browser's own sheet does to the inherited size (HTML §15.3). */
export const BY_TAG: Readonly<Record<string, Rational>> = {
	h1: rational(2),
	h2: rational(3, 2),
	h3: rational(117, 100),
	h5: rational(83, 100),
	h6: rational(67, 100),
	small: rational(5, 6),
	sub: rational(5, 6),
	sup: rational(5, 6),
	big: rational(6, 5),
	rt: rational(1, 2)
};

/** Controls have a size of their own in every engine's sheet, px. */
export const CONTROL = rational(40, 3);
export const isControl = (tag: string): boolean => /^(button|input|select|textarea)$/.test(tag);
