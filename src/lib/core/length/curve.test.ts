import fc from 'fast-check';
import { expect, it } from 'vitest';
import {
	add,
	ceil,
	compare,
	divide,
	floor,
	multiply,
	negate,
	ONE,
	rational,
	sign,
	subtract,
	toNumber,
	ZERO,
	type Rational
} from '../interval/index.ts';
import {
	curveInWords,
	curveOf,
	curveOfText,
	jointsOf,
	line,
	lineOver,
	over,
	valueOn,
	type Curve,
	type Expression,
	type Rounding
} from './index.ts';

const OVER = over(rational(240), rational(2560));
const SIZE = rational(16);
const context = {
	over: OVER,
	em: lineOver(OVER, line(SIZE)),
	rem: lineOver(OVER, line(SIZE)),
	heights: { small: rational(700), large: rational(800), dynamic: rational(700) }
};

const curve = (text: string): Curve => {
	const found = curveOfText(text, context);
	return found.kind === 'curve' ? found.curve : [];
};

it.each([
	['clamp(28px, 0.9rem + 2.5vw, 44px)', ['knee 544', 'knee 1184'], [0, 0.025, 0]],
	['clamp(44px, 0.9rem + 2.5vw, 28px)', [], [0]],
	['min(50vw, 20rem, 100vw - 24px)', ['knee 640'], [0.5, 0]],
	['max(1rem, min(2vw, 3rem), 4vw - 40px)', ['knee 800', 'knee 2000'], [0, 0.02, 0.04]],
	['calc(1rem + 1vw)', [], [0.01]],
	['calc(10px + sign(100vw - 600px) * 4px)', ['step 600', 'step 600'], [0, 0, 0]],
	['max(20px, round(down, 2vw, 10px))', ['step 1500', 'step 2000', 'step 2500'], [0, 0, 0, 0]],
	['calc(1px * (0.5 + 1 / 4))', [], [0]]
])('has the joints of %s', (text, joints, slopes) => {
	const found = curve(text);
	expect(jointsOf(found).map(({ kind, cut }) => `${kind} ${toNumber(cut.at)}`)).toEqual(joints);
	expect(found.map((piece) => toNumber(piece.line.slope))).toEqual(slopes);
});

it('gives a width at a step to the side that has it', () => {
	expect(toNumber(valueOn(curve('round(down, 1vw, 5px)'), rational(1000)) ?? ZERO)).toBe(10);
	expect(toNumber(valueOn(curve('round(up, 1vw, 5px)'), rational(1000)) ?? ZERO)).toBe(10);
	expect(toNumber(valueOn(curve('round(1vw, 5px)'), rational(750)) ?? ZERO)).toBe(10);
	expect(toNumber(valueOn(curve('round(-1vw, 5px)'), rational(750)) ?? ZERO)).toBe(-5);
});

it('says in words where a length stays constant, grows or shrinks', () => {
	expect(curveInWords(curve('clamp(28px, 0.9rem + 2.5vw, 44px)'))).toBe(
		'stays constant under 544, grows by 2.5 px a 100 px up to 1184, stays constant from 1184'
	);
	expect(curveInWords(curve('calc(40px - 1vw)'))).toBe('shrinks by 1 px a 100 px');
	expect(curveInWords(curve('round(1vw, 10px)'))).toContain('leaps by 10 px');
});

it.each([
	['3wv', 'No length has the unit “wv”.'],
	['clamp(1rem, 2vw, 3rem', 'A “)” is missing at its end.'],
	['calc(1rem + 2vw))', 'A “)” without its “(” stands at character 17.'],
	['calc(1rem + 2)', 'A length and a number cannot be put together.'],
	['max(0, 2vw)', '0 wants a unit'],
	['calc(1rem * 1rem)', 'Two lengths cannot be multiplied.'],
	['calc(1rem / 0)', 'Nothing can be divided by 0.'],
	['round(10px, 3)', 'A length is rounded to a length.'],
	['2.5', 'is a number, and a length is wanted'],
	['wide', '“wide” is no length.'],
	['3ch', 'the engine alone knows'],
	['', 'is no length']
])('says what is wrong with %s', (text, sentence) => {
	const found = curveOfText(text, context);
	expect(found.kind === 'none' && found.sentence).toContain(sentence);
});

const rationals = fc
	.tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: 1, max: 9 }))
	.map(([n, d]) => rational(n, d));
const dimensions = fc.record({
	kind: fc.constant('dimension' as const),
	value: rationals,
	unit: fc.constantFrom('px', 'rem', 'vw', 'vmin', 'svh')
});
/** What is rounded to, which may grow with the width itself. */
const steps = fc
	.tuple(fc.integer({ min: 1, max: 40 }), fc.constantFrom('px', 'vw'))
	.map(([n, unit]): Expression => ({ kind: 'dimension', value: rational(n, 2), unit }));
const lengths = fc.letrec<{ of: Expression }>((tie) => ({
	of: fc.oneof(
		{ depthSize: 'small' },
		dimensions,
		fc.record({
			kind: fc.constantFrom('min' as const, 'max' as const, 'sum' as const),
			of: fc.array(tie('of'), { minLength: 1, maxLength: 3 })
		}),
		fc.record({ kind: fc.constant('negate' as const), of: tie('of') }),
		fc.record({
			kind: fc.constant('round' as const),
			how: fc.constantFrom<Rounding>('nearest', 'up', 'down', 'to-zero'),
			of: fc.tuple(tie('of'), steps)
		}),
		fc.record({
			kind: fc.constantFrom('mod' as const, 'rem' as const),
			of: fc.tuple(tie('of'), steps)
		}),
		fc
			.tuple(tie('of'), dimensions)
			.map(([of, by]): Expression => ({ kind: 'product', of: [{ kind: 'sign', of }, by] }))
	)
})).of;

/** An expression at one width, by the definitions of CSS Values 4 §10 and nothing else. */
function valueOf(of: Expression, width: Rational): Rational {
	const whole = (how: Rounding, a: Rational): Rational => {
		if (how === 'down' || (how === 'to-zero' && sign(a) > 0)) return rational(floor(a));
		return how === 'nearest' ? rational(floor(add(a, rational(1, 2)))) : rational(ceil(a));
	};
	switch (of.kind) {
		case 'dimension': {
			const hundredth = (a: Rational): Rational => multiply(a, divide(of.value, rational(100)));
			const small = rational(700);
			// `vmin` goes by the large viewport's height.
			const least = compare(width, rational(800)) < 0 ? width : rational(800);
			if (of.unit === 'px') return of.value;
			if (of.unit === 'rem') return multiply(of.value, SIZE);
			return hundredth(of.unit === 'vw' ? width : of.unit === 'svh' ? small : least);
		}
		case 'sum':
			return of.of.map((one) => valueOf(one, width)).reduce(add);
		case 'min':
		case 'max':
			return of.of
				.map((one) => valueOf(one, width))
				.reduce((a, b) => (compare(a, b) < 0 === (of.kind === 'min') ? a : b));
		case 'product':
			return of.of.map((one) => valueOf(one, width)).reduce(multiply);
		case 'negate':
			return negate(valueOf(of.of, width));
		case 'sign':
			return rational(sign(valueOf(of.of, width)));
		case 'round': {
			const [a, b] = [valueOf(of.of[0], width), valueOf(of.of[1], width)];
			return multiply(whole(of.how, divide(a, b)), b);
		}
		case 'mod':
		case 'rem': {
			const [a, b] = [valueOf(of.of[0], width), valueOf(of.of[1], width)];
			return subtract(a, multiply(whole(of.kind === 'mod' ? 'down' : 'to-zero', divide(a, b)), b));
		}
		case 'invert':
			return divide(ONE, valueOf(of.of, width));
		case 'nan':
		case 'call':
			throw new Error('It is not made here.');
		default:
			return of.value;
	}
}

it('is the expression itself at every width, at its own joints too, without a gap', () => {
	let compared = 0;
	fc.assert(
		fc.property(
			lengths,
			fc.array(fc.integer({ min: 240 * 7, max: 2560 * 7 }), { maxLength: 12 }),
			(expression, sevenths) => {
				const found = curveOf(expression, context);
				if (found.kind === 'none') {
					expect(found.sentence).toContain('more steps');
					return;
				}
				const { curve: pieces } = found;
				expect([pieces[0]?.from, pieces.at(-1)?.to]).toEqual([OVER.from, OVER.to]);
				pieces.slice(1).forEach(({ from }, i) => expect(pieces[i]?.to).toEqual(from));
				const widths = [
					...sevenths.map((n) => rational(n, 7)),
					...pieces.slice(1, 9).map(({ from }) => from.at)
				];
				for (const width of widths) {
					const here = valueOn(pieces, width);
					expect(here && compare(here, valueOf(expression, width))).toBe(0);
					compared++;
				}
			}
		),
		{ numRuns: 500 }
	);
	expect(compared).toBeGreaterThan(1000);
});
