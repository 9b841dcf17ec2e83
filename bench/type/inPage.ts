import { rational } from '../../src/lib/core/interval/index.ts';
import { jointsOf, parseExpression, quantity, valueAt, type Form } from '../../src/lib/core/length/index.ts';
import { tokensOf } from '../../src/lib/core/css/tokens.ts';
import { lengthContext } from '../../src/lib/core/media/index.ts';
import { sizing } from '../../src/lib/core/type/index.ts';
import { PLAIN } from '../../src/lib/core/vantage/index.ts';
import { sizedIn } from '../../tests/engine/type/sized.ts';
import { median, timeOf } from '../bench.ts';

/**
 * The time for evaluating every declaration of a size at every px, each parsed once, divided by that for the curves
 * and knees of all elements of the present page, including cascade and inheritance.
 */
export function curves(files: Readonly<Record<string, string>>, values: readonly string[]) {
	const { elements, stretches, heights } = sizedIn(document, 'index.html', files, 720);
	const context = lengthContext(PLAIN);
	const forms = values.map((value): Form => {
		const tokens = tokensOf(value);
		const expression = parseExpression(tokens, 0, tokens.count);
		const found = expression && quantity(expression, context);
		if (!found) throw new Error(`${value} is no length.`);
		return found.form;
	});
	let [knees, sum] = [0, 0];
	const read = (): void => {
		const { size } = sizing(elements, { stretches, heights, defaultSize: 16 });
		knees = elements.reduce((all, _, i) => all + jointsOf(size(i).curve ?? []).length, 0);
	};
	const evaluate = (): void => {
		for (let width = 240; width <= 2560; width++) {
			const at = rational(width);
			for (const form of forms) sum += Number(valueAt(form, at).n);
		}
	};
	// Alternately, because the machine's speed varies.
	const rounds = Array.from({ length: 7 }, () => {
		const [ours, every] = [timeOf(read, 9, 3), timeOf(evaluate, 1, 0)];
		return { ratio: every / ours, ours, every };
	});
	const ratio = median(rounds.map((one) => one.ratio));
	const { ours, every } = rounds.find((one) => one.ratio === ratio) ?? { ours: NaN, every: NaN };
	return { ratio: every / ours, ours, every, knees, elements: elements.length, sum };
}
