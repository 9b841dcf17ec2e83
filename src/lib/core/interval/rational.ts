/** An exact fraction in lowest terms; the denominator is always positive. */
export interface Rational {
	readonly n: bigint;
	readonly d: bigint;
}

const gcd = (a: bigint, b: bigint): bigint => {
	let x = a < 0n ? -a : a;
	let y = b;
	while (y) [x, y] = [y, x % y];
	return x;
};

/** n/d in lowest terms. Throws a RangeError for a denominator of 0. */
export function rational(n: bigint | number, d: bigint | number = 1n): Rational {
	let num = BigInt(n);
	let den = BigInt(d);
	if (den === 0n) throw new RangeError('A fraction cannot have the denominator 0.');
	if (den === 1n) return { n: num, d: 1n };
	if (den < 0n) [num, den] = [-num, -den];
	const g = gcd(num, den);
	return g === 1n ? { n: num, d: den } : { n: num / g, d: den / g };
}

export const ZERO = rational(0);
export const ONE = rational(1);

/**
 * The exact value of a decimal numeral in CSS notation (CSS Syntax 3 §4.3.13): sign, fraction and exponent allowed.
 * Undefined where the text is not such a numeral. Exponents are limited to ±400.
 */
export function rationalFromDecimal(text: string): Rational | undefined {
	const match = /^([+-]?)(\d*)(?:\.(\d+))?(?:[eE]([+-]?\d+))?$/.exec(text);
	if (!match) return undefined;
	const [, sign, whole = '', fraction = '', exponent = '0'] = match;
	if (!whole && !fraction) return undefined;
	const power = Math.max(-400, Math.min(400, Number(exponent))) - fraction.length;
	const digits = BigInt(whole + fraction) * (sign === '-' ? -1n : 1n);
	return power >= 0 ? rational(digits * 10n ** BigInt(power)) : rational(digits, 10n ** BigInt(-power));
}

/**
 * The exact value of a floating-point number, read as the shortest decimal that denotes it, so that
 * 599.98 is 59998/100. Throws a RangeError for NaN and the infinities.
 */
export function rationalFromNumber(value: number): Rational {
	if (Number.isSafeInteger(value)) return { n: BigInt(value), d: 1n };
	const exact = rationalFromDecimal(String(value));
	if (!exact) throw new RangeError(`${value} is not a finite number.`);
	return exact;
}

export function add(a: Rational, b: Rational): Rational {
	if (a.n === 0n) return b;
	if (b.n === 0n) return a;
	if (a.d === 1n && b.d === 1n) return { n: a.n + b.n, d: 1n };
	return rational(a.n * b.d + b.n * a.d, a.d * b.d);
}
export const subtract = (a: Rational, b: Rational): Rational => add(a, negate(b));
export function multiply(a: Rational, b: Rational): Rational {
	if (a.n === 0n || b.n === 0n) return ZERO;
	if (a.d === 1n && b.d === 1n) return { n: a.n * b.n, d: 1n };
	return rational(a.n * b.n, a.d * b.d);
}
export const negate = (a: Rational): Rational => ({ n: -a.n, d: a.d });
export const middle = (a: Rational, b: Rational): Rational => divide(add(a, b), rational(2));

/** a/b. Throws a RangeError where b is 0. */
export const divide = (a: Rational, b: Rational): Rational => rational(a.n * b.d, a.d * b.n);

/** Negative, 0 or positive where a is less than, equal to or greater than b. */
export function compare(a: Rational, b: Rational): number {
	const same = a.d === b.d;
	const left = same ? a.n : a.n * b.d;
	const right = same ? b.n : b.n * a.d;
	return left < right ? -1 : left > right ? 1 : 0;
}

export const isWhole = (a: Rational): boolean => a.d === 1n;
export const sign = (a: Rational): number => (a.n > 0n ? 1 : a.n < 0n ? -1 : 0);

/** The nearest floating-point number. */
export const toNumber = (a: Rational): number => Number(a.n) / Number(a.d);

/** The largest whole number not above a. */
export function floor(a: Rational): bigint {
	const q = a.n / a.d;
	return a.n < 0n && q * a.d !== a.n ? q - 1n : q;
}

/** The smallest whole number not below a. */
export const ceil = (a: Rational): bigint => -floor(negate(a));

/** Decimal text: exact where the fraction ends within 6 places, otherwise rounded to 3 places with a leading "≈". */
export function printRational(a: Rational): string {
	const scaled = multiply(a, rational(1_000_000));
	if (isWhole(scaled)) return String(toNumber(a));
	return `≈${Math.round(toNumber(a) * 1000) / 1000}`;
}
