import { printRational, toNumber, type Rational } from '../interval/index.ts';
import { jointsOf, type Curve } from './curve.ts';

/** A width in words: whole where it is, otherwise rounded to a hundredth of a px. */
export const printWidth = (width: Rational): string =>
	width.d === 1n ? printRational(width) : toNumber(width).toFixed(2);

/** So many pieces are described one by one. */
const MOST_TOLD = 8;

/** How a length changes over widths, in words: where it is constant, where it grows or shrinks, and by how much. */
export function curveInWords(curve: Curve): string {
	const joints = jointsOf(curve);
	if (curve.length > MOST_TOLD) {
		const steps = joints.filter(({ kind }) => kind === 'step').length;
		return `goes by ${steps} steps and ${joints.length - steps} knees`;
	}
	return curve
		.map(({ from, to, line: { slope } }, i) => {
			const by = Number((Math.abs(toNumber(slope)) * 100).toFixed(3));
			const how =
				slope.n === 0n ? 'stays constant' : `${slope.n > 0n ? 'grows' : 'shrinks'} by ${by} px a 100 px`;
			if (curve.length === 1) return how;
			const where =
				i === 0
					? `under ${printWidth(to.at)}`
					: i === curve.length - 1
						? `from ${printWidth(from.at)}`
						: `up to ${printWidth(to.at)}`;
			const joint = joints[i - 1];
			const leap = joint?.kind === 'step' ? toNumber(joint.after) - toNumber(joint.before) : 0;
			const leaps = leap === 0 ? '' : `leaps by ${Number(leap.toFixed(2))} px and `;
			return `${leaps}${how} ${where}`;
		})
		.join(', ');
}
