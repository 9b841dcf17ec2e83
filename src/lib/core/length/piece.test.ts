import fc from 'fast-check';
import { expect, it } from 'vitest';
import { compare, rational, toNumber, type Rational } from '../interval/index.ts';
import { tokensOf } from '../css/tokens.ts';
import { line, parseExpression, piecesInWords, piecesOf, quantity, valueAt, type Form } from './index.ts';

const [FROM, TO] = [rational(240), rational(2560)];
const context = {
	em: rational(16),
	heights: { small: rational(700), large: rational(800), dynamic: rational(700) }
};

function kneesOf(text: string): { words: string; knees: number[]; slopes: number[] } {
	const tokens = tokensOf(text);
	const expression = parseExpression(tokens, 0, tokens.count);
	const found = expression && quantity(expression, context);
	const pieces = found ? piecesOf(found.form, FROM, TO) : [];
	return {
		words: piecesInWords(pieces),
		knees: pieces.slice(1).map(({ from }) => toNumber(from)),
		slopes: pieces.map((piece) => toNumber(piece.line.slope))
	};
}

it.each([
	['clamp(28px, 0.9rem + 2.5vw, 44px)', [544, 1184], [0, 0.025, 0]],
	['clamp(44px, 0.9rem + 2.5vw, 28px)', [], [0]],
	['min(50vw, 20rem, 100vw - 24px)', [640], [0.5, 0]],
	['max(1rem, min(2vw, 3rem), 4vw - 40px)', [800, 2000], [0, 0.02, 0.04]],
	['calc(1rem + 1vw)', [], [0.01]]
])('has the knees of %s', (text, knees, slopes) => {
	expect(kneesOf(text)).toMatchObject({ knees, slopes });
});

it('says in words where a length stands still, grows or shrinks', () => {
	expect(kneesOf('clamp(28px, 0.9rem + 2.5vw, 44px)').words).toBe(
		'stands still under 544, grows by 2.5 px a 100 px up to 1184, stands still from 1184'
	);
	expect(kneesOf('calc(40px - 1vw)').words).toBe('shrinks by 1 px a 100 px');
	expect(kneesOf('min(3vw, 10px + 1vw)').words).toContain('under 500, grows by 1 px a 100 px from 500');
});

const rationals = fc
	.tuple(fc.integer({ min: -200, max: 200 }), fc.integer({ min: 1, max: 9 }))
	.map(([n, d]) => rational(n, d));
const forms = fc.letrec<{ form: Form; line: Form }>((tie) => ({
	line: fc.tuple(rationals, rationals).map(([constant, slope]) => line(constant, slope)),
	form: fc.oneof(
		{ depthSize: 'small' },
		tie('line'),
		fc.record({
			kind: fc.constantFrom('min' as const, 'max' as const),
			of: fc.array(tie('form'), { minLength: 1, maxLength: 3 })
		})
	)
})).form;

it('is the form itself at every width, without a gap, and bends at each knee', () => {
	fc.assert(
		fc.property(
			forms,
			fc.array(fc.integer({ min: 240 * 7, max: 2560 * 7 }), { maxLength: 20 }),
			(form, sevenths) => {
				const pieces = piecesOf(form, FROM, TO);
				expect(pieces[0]?.from).toEqual(FROM);
				expect(pieces.at(-1)?.to).toEqual(TO);
				pieces.slice(1).forEach(({ from, line: after }, i) => {
					expect(pieces[i]?.to).toEqual(from);
					expect(compare(pieces[i]?.line.slope as Rational, after.slope)).not.toBe(0);
				});
				for (const seventh of sevenths) {
					const at = rational(seventh, 7);
					const piece = pieces.find(({ from, to }) => compare(from, at) <= 0 && compare(at, to) <= 0);
					expect(piece && compare(valueAt(piece.line, at), valueAt(form, at))).toBe(0);
				}
			}
		),
		{ numRuns: 300 }
	);
});
