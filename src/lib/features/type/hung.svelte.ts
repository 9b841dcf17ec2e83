import type { ElementPath } from '$lib/core/html/index.ts';
import { toNumber } from '$lib/core/interval/index.ts';
import { jointsOf } from '$lib/core/length/index.ts';
import { ratioThrough, withOwn } from '$lib/core/scale/index.ts';
import { ASKED } from './typeReading.svelte.ts';
import type { Typesetting } from './typesetting.svelte.ts';
import type { DrawnCurve, Knee, Peg } from './drawing.ts';

/** The text size that browsers come with, px. */
const USUAL = 16;

const places = (size: number): number => Number(Math.max(0.5, size).toFixed(1));

/** The chart below the Measure: curves, their pegs and knees, and the effects of dragging these. */
export class Hung {
	readonly #setting: Typesetting;
	/** The text size set in the browser for which curves are drawn, px. */
	browser = $state(USUAL);
	/** Where a whole curve was when it was last moved; null where it has just been grabbed. */
	#at: number | null = null;

	constructor(setting: Typesetting) {
		this.#setting = setting;
	}

	/** Sizes of a text in the engine, px by width. */
	#dotsOf(path: ElementPath | undefined): (readonly [number, number])[] {
		const { laid } = this.#setting.reading;
		if (!path) return [];
		return ASKED.flatMap((width) => {
			const size = laid.get(width)?.sizes.get(path.join('.'));
			return size === undefined ? [] : [[width, size] as const];
		});
	}

	/** The sizes in the sheet, behind what is being set. */
	readonly #behind: readonly DrawnCurve[] = $derived.by(() =>
		this.#setting.reading.stylesBefore.map(({ id, name, curve }) => ({
			id: `before ${id}`,
			name,
			curve,
			look: 'behind',
			dots: []
		}))
	);
	readonly curves: readonly DrawnCurve[] = $derived.by(() => {
		const { work, length, lengthCurve, reading } = this.#setting;
		if (work === 'scale') return [...this.#behind, ...this.#steps];
		if (work === 'length' && length) {
			const isSize = length.property === 'font-size';
			const own: DrawnCurve[] = lengthCurve
				? [
						{
							id: 'length',
							name: length.property,
							curve: lengthCurve,
							look: 'set',
							dots: isSize ? this.#dotsOf(length.path) : []
						}
					]
				: [];
			return [...(isSize ? this.#behind : []), ...own];
		}
		const other = this.browser === USUAL ? undefined : reading.now?.sizingAt(this.browser);
		const known = reading.styles.map(({ id, name, curve, texts: [first] }): DrawnCurve => ({
			id,
			name,
			curve: (other && first && other.size(first.index).curve) || curve,
			look: 'now',
			dots: other ? [] : this.#dotsOf(first?.path)
		}));
		// For sizes known only to the engine, its measurements replace a line.
		const asked = (reading.now?.texts ?? []).filter(({ size }) => !size.curve);
		const others = asked
			.filter(({ name }, i) => asked.findIndex((one) => one.name === name) === i)
			.map(({ name, path }): DrawnCurve => ({
				id: `asked ${name}`,
				name,
				curve: [],
				look: 'now',
				dots: this.#dotsOf(path)
			}));
		return [...known, ...others];
	});
	readonly #steps: readonly DrawnCurve[] = $derived.by(() =>
		this.#setting.steps.map((step) => {
			const [selector] = step.role?.selectors ?? [];
			return {
				id: `step ${step.step}`,
				name: step.role?.name ?? `step ${step.step}`,
				curve: this.#setting.stepCurve(step),
				look: 'set',
				dots: this.#dotsOf(selector === undefined ? undefined : this.#setting.holding(selector))
			};
		})
	);

	readonly pegs: readonly Peg[] = $derived.by(() => {
		const { work, steps, scale, length, problems } = this.#setting;
		if (work === 'scale')
			return steps.flatMap((step) =>
				(['narrow', 'wide'] as const).map((end) => ({
					id: `${end} ${step.step}`,
					of: `step ${step.step}`,
					end,
					width: scale[end].width,
					size: step[end],
					name: step.role?.name ?? `step ${step.step}`,
					scaled: step.own.includes(end) ? step.scaled[end] : null
				}))
			);
		if (work !== 'length' || !length || problems.length > 0) return [];
		const ends = [
			['narrow', length.least],
			['wide', length.most]
		] as const;
		return ends.map(([end, judged]) => ({
			id: `${end} length`,
			of: 'length',
			end,
			...judged,
			name: length.property,
			scaled: null
		}));
	});
	readonly knees: readonly Knee[] = $derived.by(() => {
		const { work, length, lengthCurve } = this.#setting;
		if (work !== 'length' || !lengthCurve || length?.middle.kind === 'between') return [];
		return jointsOf(lengthCurve)
			.filter(({ kind }) => kind === 'knee')
			.map(({ cut, after }, i) => ({ id: `knee ${i}`, width: toNumber(cut.at), size: toNumber(after) }));
	});

	begin(): void {
		this.#setting.dragged = true;
		this.#setting.mark();
		this.#at = null;
	}

	end(): void {
		this.#setting.dragged = false;
	}

	/** Drags a peg, a knee or (by its id) a whole curve to a width and a size; `fit` adjusts the ratio instead. */
	drag(id: string, width: number, size: number, fit: boolean): void {
		const [what = '', of = ''] = id.split(' ');
		if (this.#setting.work === 'length') this.#dragLength(what, of, width, size);
		else if (what === 'narrow' || what === 'wide') this.#put(what, Number(of), places(size), fit, false);
		else this.#dragStep(Number(of), size);
	}

	/** Moves both ends of a step as far as the pointer. */
	#dragStep(step: number, size: number): void {
		const own = this.#setting.steps.find((one) => one.step === step);
		if (this.#at !== null && own) {
			const by = size / this.#at;
			this.#setting.put((scale) => {
				const narrow = withOwn(scale, step, 'narrow', places(own.narrow * by));
				return withOwn(narrow, step, 'wide', places(own.wide * by));
			}, false);
		}
		this.#at = size;
	}

	#dragLength(what: string, of: string, width: number, size: number): void {
		const { length } = this.#setting;
		if (!length) return;
		const { least, most } = length;
		if (what === 'narrow') this.#setting.putLength({ least: { size: places(size), width } }, false);
		else if (what === 'wide') this.#setting.putLength({ most: { size: places(size), width } }, false);
		else if (what === 'knee') {
			// Sideways by the middle's slope, vertically by its end.
			const end = places(size);
			const vw = Number(((100 * end) / width).toFixed(3));
			const middle = { kind: 'vw' as const, vw };
			const change = of === '0' ? { least: { ...least, size: end } } : { most: { ...most, size: end } };
			this.#setting.putLength({ ...change, middle }, false);
		} else {
			if (this.#at !== null) {
				const by = size - this.#at;
				const moved = (one: typeof least) => ({ ...one, size: places(one.size + by) });
				this.#setting.putLength({ least: moved(least), most: moved(most) }, false);
			}
			this.#at = size;
		}
	}

	/** Sets a peg's size; null restores the scale's; `fit` adjusts the ratio instead. */
	putSize(id: string, size: number | null, fit = false): void {
		const [end = '', of = ''] = id.split(' ');
		if (end !== 'narrow' && end !== 'wide') return;
		const { work, length } = this.#setting;
		if (work === 'scale') this.#put(end, Number(of), size, fit, true);
		else if (length && size !== null)
			this.#setting.putLength(
				end === 'narrow' ? { least: { ...length.least, size } } : { most: { ...length.most, size } }
			);
	}

	/**
	 * Sets a step of the scale at an end: for body the body size; for the topmost, or on request, the ratio; otherwise
	 * a size of its own.
	 */
	#put(end: 'narrow' | 'wide', step: number, size: number | null, fit: boolean, undone: boolean): void {
		this.#setting.put((scale) => {
			if (step === 0 && size !== null) return { ...scale, [end]: { ...scale[end], body: size } };
			const isReach = fit || step === scale.up;
			const ratio = isReach && size !== null ? ratioThrough(scale, step, end, size) : undefined;
			return ratio === undefined
				? withOwn(scale, step, end, size)
				: { ...withOwn(scale, step, end, null), [end]: { ...scale[end], ratio } };
		}, undone);
	}
}
