import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as i from './index.ts';

const width = fc
	.tuple(fc.integer({ min: 1, max: 4000 }), fc.constantFrom(1, 2, 3, 100))
	.map(([n, d]) => i.rational(n, d));
const interval = fc
	.record({ a: width, b: fc.option(width), loClosed: fc.boolean(), hiClosed: fc.boolean() })
	.map(({ a, b, loClosed, hiClosed }): i.Interval => {
		if (b === null) return { lo: a, loClosed, hi: null, hiClosed: false };
		return i.compare(a, b) <= 0 ? { lo: a, loClosed, hi: b, hiClosed } : { lo: b, loClosed, hi: a, hiClosed };
	});
const set = fc
	.array(interval, { maxLength: 6 })
	.map((parts) => parts.map(i.fromInterval).reduce(i.union, i.NOTHING));

/** Membership by the definition of an interval, without cuts. */
const within = ({ lo, loClosed, hi, hiClosed }: i.Interval, at: i.Rational): boolean => {
	const low = i.compare(at, lo);
	const high = hi === null ? -1 : i.compare(at, hi);
	return (low > 0 || (low === 0 && loClosed)) && (high < 0 || (high === 0 && hiClosed));
};

describe('sets of widths', () => {
	it('hold what their intervals hold', () => {
		fc.assert(
			fc.property(interval, width, (one, at) => {
				expect(i.contains(i.fromInterval(one), at)).toBe(within(one, at));
			})
		);
	});

	it('obey the algebra of sets at every width', () => {
		fc.assert(
			fc.property(set, set, width, (a, b, at) => {
				const [inA, inB] = [i.contains(a, at), i.contains(b, at)];
				expect(i.contains(i.union(a, b), at)).toBe(inA || inB);
				expect(i.contains(i.intersection(a, b), at)).toBe(inA && inB);
				expect(i.contains(i.difference(a, b), at)).toBe(inA && !inB);
				expect(i.contains(i.complement(a), at)).toBe(!inA);
			})
		);
	});

	it('have one representation each', () => {
		fc.assert(
			fc.property(set, set, (a, b) => {
				expect(i.equal(i.complement(i.complement(a)), a)).toBe(true);
				expect(i.equal(i.complement(i.union(a, b)), i.intersection(i.complement(a), i.complement(b)))).toBe(
					true
				);
				expect(i.equal(i.intervals(a).map(i.fromInterval).reduce(i.union, i.NOTHING), a)).toBe(true);
				expect(i.isEmpty(i.difference(a, a))).toBe(true);
				expect(i.isEverything(i.union(a, i.complement(a)))).toBe(true);
			})
		);
	});

	it('are seen whole from their sampling points', () => {
		const step = i.rational(1, 10);
		fc.assert(
			fc.property(set, (one) => {
				const points = i.samplingPoints(one, step);
				for (const piece of [...i.intervals(one), ...i.intervals(i.complement(one))]) {
					expect(points.some((at) => within(piece, at))).toBe(true);
					for (const edge of [piece.lo, piece.hi]) {
						if (edge && edge.n > 0n) expect(points.some((at) => i.compare(at, edge) === 0)).toBe(true);
					}
				}
			})
		);
		const points = i.samplingPoints(
			i.fromInterval({ lo: i.rational(599), loClosed: false, hi: i.rational(600), hiClosed: false }),
			step
		);
		expect(points.map(i.toNumber)).toEqual([299.5, 598.9, 599, 599.1, 599.5, 599.9, 600, 600.1, 601]);
	});

	it.each([
		[{ lo: 0, hi: 700 }, false, false, '<700'],
		[{ lo: 0, hi: 699 }, false, true, '≤699'],
		[{ lo: 700, hi: 1000 }, true, false, '700–<1000'],
		[{ lo: 1000, hi: null }, true, false, '≥1000'],
		[{ lo: 599, hi: 600 }, false, false, '599<–<600'],
		[{ lo: 599.98, hi: null }, false, false, '>599.98'],
		[{ lo: 700, hi: 700 }, true, true, '=700']
	])('print %o without a doubt', ({ lo, hi }, loClosed, hiClosed, text) => {
		const one = {
			lo: i.rationalFromNumber(lo),
			loClosed,
			hi: hi === null ? null : i.rationalFromNumber(hi),
			hiClosed
		};
		expect(i.printInterval(one)).toBe(text);
	});

	it('print as a whole and in words', () => {
		const low = i.below({ at: i.rational(600), after: false });
		const high = i.above({ at: i.rational(700), after: false });
		expect(i.printIntervalSet(i.union(low, high))).toBe('<600, ≥700');
		expect(i.printIntervalSet(i.NOTHING)).toBe('no width');
		expect(i.printIntervalSet(i.EVERYTHING)).toBe('every width');
		const said = i.intervals(i.intersection(i.complement(low), i.complement(high))).map(i.sayInterval);
		expect(said).toEqual(['from 600 to under 700']);
	});
});

describe('rationals', () => {
	it('read decimals exactly', () => {
		expect(i.rationalFromDecimal('599.98')).toEqual(i.rational(59998, 100));
		expect(i.rationalFromDecimal('-.5e1')).toEqual(i.rational(-5));
		expect(i.rationalFromDecimal('1e-3')).toEqual(i.rational(1, 1000));
		expect(i.rationalFromDecimal('1.')).toBeUndefined();
		expect(i.rationalFromDecimal('px')).toBeUndefined();
		expect(i.printRational(i.rational(1600, 3))).toBe('≈533.333');
	});

	it('round as numbers do', () => {
		fc.assert(
			fc.property(fc.integer(), fc.integer({ min: 1, max: 999 }), (n, d) => {
				const one = i.rational(n, d);
				expect(i.floor(one)).toBe(BigInt(Math.floor(n / d)));
				expect(i.ceil(one)).toBe(BigInt(Math.ceil(n / d)));
				expect(i.toNumber(i.add(one, i.rational(1, 3)))).toBeCloseTo(n / d + 1 / 3, 5);
			})
		);
	});

	it('refuse a denominator of 0', () => {
		expect(() => i.rational(1, 0)).toThrow(RangeError);
		expect(() => i.rationalFromNumber(NaN)).toThrow(RangeError);
	});
});
