import { rational, rationalFromNumber, toNumber } from '../interval/index.ts';
import {
	jointsOf,
	scaledBy,
	sumOf,
	valueAt,
	valueOn,
	within,
	type Curve,
	type Over
} from '../length/index.ts';
import type { Fluid } from './fluid.ts';
import { RATIOS } from './ratios.ts';

/** A size at both ends, px. */
export interface Sized {
	readonly name: string;
	readonly narrow: number;
	readonly wide: number;
}

/** The scale that some sizes form. */
export interface Recognised {
	/** The widths between which it grows, CSS px, where they were recognised. */
	readonly ends?: { readonly narrow: number; readonly wide: number };
	readonly body: { readonly narrow: number; readonly wide: number };
	readonly ratio: { readonly narrow: number; readonly wide: number };
	/** For each size its step, and how far it is off that step, px; in the given order. */
	readonly steps: readonly {
		readonly name: string;
		readonly step: number;
		readonly off: { readonly narrow: number; readonly wide: number };
		/** Whether it is on the scale, within a hundredth of its size. */
		readonly fits: boolean;
	}[];
}

/** The tolerance within which a size is on a step, as a fraction of the size. */
const FITS = 0.01;
/** Smaller ratios fit anything, and prove nothing. */
const LEAST_RATIO = 16 / 15;
/** How much an unused step counts against a scale, where each size on a step counts 1 for it. */
const EMPTY = 0.4;
/** The largest number of steps between two sizes from which a ratio is tried. */
const MOST_BETWEEN = 4;

/** Ratios that lead from one size to another in a few steps, and those that scales often use. */
function ratiosTried(sizes: readonly number[]): number[] {
	const found = new Set<number>(RATIOS);
	for (const a of sizes) {
		for (const b of sizes) {
			for (let steps = 1; steps <= MOST_BETWEEN; steps++) {
				const ratio = (a / b) ** (1 / steps);
				if (ratio >= LEAST_RATIO && ratio <= 2.5) found.add(Number(ratio.toFixed(5)));
			}
		}
	}
	return [...found];
}

/**
 * The scale that some sizes form, if they form one: the ratios at both ends by which most of them are on the same
 * step at both, the largest such ratios; undefined where fewer than three are. `body` is the size from which steps
 * are counted.
 */
export function recognise(sizes: readonly Sized[], body: Sized): Recognised | undefined {
	const stepAt = (size: number, base: number, ratio: number): number =>
		Math.round(Math.log(size / base) / Math.log(ratio));
	const isNear = (size: number, base: number, ratio: number, step: number): boolean =>
		Math.abs(size / (base * ratio ** step) - 1) <= FITS;
	const stepsBy = (end: 'narrow' | 'wide', ratio: number): (number | null)[] =>
		sizes.map((one) => {
			const step = stepAt(one[end], body[end], ratio);
			return isNear(one[end], body[end], ratio, step) ? step : null;
		});
	let best:
		{ count: number; score: number; ratio: Recognised['ratio']; steps: (number | null)[] } | undefined;
	const wides = ratiosTried(sizes.map(({ wide }) => wide)).map((ratio) => ({
		ratio,
		steps: stepsBy('wide', ratio)
	}));
	for (const narrow of ratiosTried(sizes.map((one) => one.narrow))) {
		const steps = stepsBy('narrow', narrow);
		for (const wide of wides) {
			const common = steps.map((step, i) => (step !== null && step === wide.steps[i] ? step : null));
			const fitting = common.filter((step) => step !== null);
			// Different sizes have different steps.
			if (
				new Set(fitting).size < new Set(sizes.flatMap((one, i) => (common[i] === null ? [] : one.wide))).size
			)
				continue;
			const count = fitting.length;
			// Fine steps fit anything, so unused steps count against them.
			const span = Math.max(...fitting) - Math.min(...fitting) + 1;
			const score = count - EMPTY * (span - new Set(fitting).size);
			const larger = best && narrow * wide.ratio > best.ratio.narrow * best.ratio.wide;
			if (!best || score > best.score || (score === best.score && larger))
				best = { count, score, ratio: { narrow, wide: wide.ratio }, steps: common };
		}
	}
	if (!best || best.count < 3 || new Set(best.steps.filter((s) => s !== null)).size < 2) return undefined;
	const { ratio, steps } = best;
	return {
		body: { narrow: body.narrow, wide: body.wide },
		ratio,
		steps: sizes.map(({ name, narrow, wide }, i) => {
			const near = [stepAt(narrow, body.narrow, ratio.narrow), stepAt(wide, body.wide, ratio.wide)];
			// A size off the scale gets a step of its own, where one is free.
			const step = steps[i] ?? near.find((one) => !steps.includes(one)) ?? near[0] ?? 0;
			const off = {
				narrow: narrow - body.narrow * ratio.narrow ** step,
				wide: wide - body.wide * ratio.wide ** step
			};
			return { name, step, off, fits: steps[i] !== null };
		})
	};
}

/** Knees within so many px count as the same. */
const SAME_KNEE = 2;

/**
 * The widths between which most of some sizes grow, by their outermost knees, CSS px; undefined where no two sizes
 * share them.
 */
export function endsOf(
	curves: readonly Curve[]
): { readonly narrow: number; readonly wide: number } | undefined {
	const pairs = curves.flatMap((curve) => {
		const knees = jointsOf(curve).filter(({ kind }) => kind === 'knee');
		const [first, last] = [knees[0], knees.at(-1)];
		return first && last && first !== last
			? [{ narrow: toNumber(first.cut.at), wide: toNumber(last.cut.at) }]
			: [];
	});
	const like = (a: (typeof pairs)[number]) =>
		pairs.filter((b) => Math.abs(a.narrow - b.narrow) <= SAME_KNEE && Math.abs(a.wide - b.wide) <= SAME_KNEE)
			.length;
	const best = pairs.reduce<(typeof pairs)[number] | undefined>(
		(most, one) => (most && like(most) >= like(one) ? most : one),
		undefined
	);
	return best && like(best) > 1
		? { narrow: Math.round(best.narrow), wide: Math.round(best.wide) }
		: undefined;
}

/** A stepped size as one line from where its first step ends to where its last begins. */
export interface Through {
	readonly fluid: Fluid;
	/** For each step, where the line deviates from it most, and by how much, px. */
	readonly departs: readonly { readonly width: number; readonly by: number }[];
}

/** A fluid size as a curve over some widths. */
export function curveOfFluid({ from, to }: Fluid, over: Over): Curve {
	const [a, b] = from.width <= to.width ? [from, to] : [to, from];
	const [low, high] = [rationalFromNumber(a.width), rationalFromNumber(b.width)];
	const flat = (size: number) => ({
		kind: 'line' as const,
		constant: rationalFromNumber(size),
		slope: rational(0)
	});
	const slope = (b.size - a.size) / (b.width - a.width);
	const [at, to2] = [
		{ at: low, after: false },
		{ at: high, after: false }
	];
	const all: Curve = [
		{ from: { at: rational(0), after: true }, to: at, line: flat(a.size) },
		{
			from: at,
			to: to2,
			line: {
				kind: 'line',
				constant: rationalFromNumber(a.size - slope * a.width),
				slope: rationalFromNumber(slope)
			}
		},
		{ from: to2, to: { at: rational(1_000_000), after: true }, line: flat(b.size) }
	];
	return within(all, over);
}

/** A stepped curve as one that grows between the steps; undefined where it has none. */
export function through(curve: Curve, over: Over): Through | undefined {
	const here = within(curve, over);
	const steps = jointsOf(here).filter(({ kind }) => kind === 'step');
	const [first, last] = [steps[0], steps.at(-1)];
	if (!first || !last) return undefined;
	// A single step is spread from a quarter below it to a quarter above.
	const one = steps.length === 1;
	const at = toNumber(first.cut.at);
	const from = { width: one ? Math.round(at * 0.75) : at, size: toNumber(first.before) };
	const to = { width: one ? Math.round(at * 1.25) : toNumber(last.cut.at), size: toNumber(last.after) };
	const fluid = { from, to };
	const gap = sumOf(curveOfFluid(fluid, over), scaledBy(here, rational(-1)));
	const departs = here.map((piece) => {
		const points = within(gap, piece).flatMap(({ from: a, to: b, line }) =>
			[a, b].map(({ at: width }) => ({ width: toNumber(width), by: toNumber(valueAt(line, width)) }))
		);
		return points.reduce((worst, point) => (Math.abs(point.by) > Math.abs(worst.by) ? point : worst), {
			width: toNumber(piece.from.at),
			by: 0
		});
	});
	return { fluid, departs };
}

/** A size at both ends of a range of widths, px; undefined where the curve does not reach them. */
export function sizedAt(name: string, curve: Curve, narrow: number, wide: number): Sized | undefined {
	const [a, b] = [narrow, wide].map((width) => valueOn(curve, rationalFromNumber(width)));
	return a && b ? { name, narrow: toNumber(a), wide: toNumber(b) } : undefined;
}
