import {
	difference,
	divide,
	intersection,
	intervals,
	isEmpty,
	multiply,
	rational,
	ZERO,
	type Cut,
	type IntervalSet,
	type Rational
} from '../interval/index.ts';
import {
	chosenOf,
	line,
	lineOver,
	scaledBy,
	valueAt,
	valueOn,
	whereLess,
	widthsOver,
	within,
	type Curve,
	type Over
} from '../length/index.ts';

/** How far browsers zoom, and how much larger text must become (WCAG 2.2, 1.4.4). */
const [MOST_ZOOM, WANTED] = [rational(5), rational(2)];

const spread = ({ at, after }: Cut): Cut => ({ at: multiply(at, MOST_ZOOM), after });

/**
 * Converts a curve over layout widths to one over the widths of windows zoomed as far as possible: five times as
 * wide.
 */
const zoomedOut = (curve: Curve): Curve =>
	curve.map(({ from, to, line }) => ({
		from: spread(from),
		to: spread(to),
		line: { ...line, slope: divide(line.slope, MOST_ZOOM) }
	}));

/** The widths of windows at which text cannot become twice as large. */
function shortOf(curve: Curve, over: Over): IntervalSet {
	const whole = widthsOver(over);
	const twice = scaledBy(within(curve, over), WANTED);
	// At 500 %: 5 s(w / 5) against 2 s(w).
	let short = whereLess(scaledBy(within(zoomedOut(curve), over), MOST_ZOOM), twice);
	for (const { from, to, line } of curve) {
		for (const { at } of [from, to]) {
			if (isEmpty(short) || at.n <= 0n) continue;
			// At the zoom that lays the page out at the end of a piece, p: w / p · s(p) against 2 s(w).
			const share = { kind: 'line' as const, constant: ZERO, slope: divide(valueAt(line, at), at) };
			const enough = difference(whole, whereLess(lineOver(over, share), twice));
			const reached = widthsOver({
				from: { at, after: false },
				to: { at: multiply(at, MOST_ZOOM), after: true }
			});
			short = difference(short, intersection(reached, enough));
		}
	}
	return short;
}

/** Text that cannot become twice as large. */
export interface ZoomFault {
	/** The widths of windows, CSS px before zooming. */
	readonly widths: IntervalSet;
	/** The largest size, CSS px, with which as its upper limit it passes everywhere; null where there is none. */
	readonly most: Rational | null;
}

/**
 * Where text cannot reach 200 % with the browser's zoom up to 500 % (WCAG 2.2, 1.4.4), exact; null where it can. A
 * zoom of z lays a window of w px out at w / z and enlarges the result z times, so that text of the size s becomes z
 * · s(w / z). On a line that is greatest at an end: at 500 %, or where a piece begins or ends. `curve` must reach
 * down to a fifth of the least width in question.
 */
export function zoomFault(curve: Curve, over: Over): ZoomFault | null {
	const widths = shortOf(curve, over);
	const [first] = intervals(widths);
	const [begin, end] = [curve[0], curve.at(-1)];
	if (!first || !begin || !end) return null;
	const most = valueOn(curve, first.lo);
	if (!most) return { widths, most: null };
	const held = chosenOf('min', curve, lineOver({ from: begin.from, to: end.to }, line(most)));
	return { widths, most: held && isEmpty(shortOf(held, over)) ? most : null };
}
