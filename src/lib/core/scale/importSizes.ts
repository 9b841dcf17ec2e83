import { recognise, type Recognised, type Sized } from './recognise.ts';
import type { ReadSizes } from './exchange.ts';
import { scaleProblems, type Scale } from './scale.ts';

/** A scale made from imported sizes, with remarks; or why there is none. */
export type ImportedScale = { readonly scale: Scale | null; readonly sentence: string };

const rounded = (size: number): number => Number(size.toFixed(3));

/** For each number, the first of some steps with that number. */
const firsts = (steps: Recognised['steps']): Recognised['steps'] =>
	steps.filter(({ step }, i) => steps.findIndex((one) => one.step === step) === i);

/** A scale with the recognised body, ratios and number of steps. */
export function withRecognised(
	scale: Scale,
	found: Recognised,
	selectorsOf: (name: string, step: number) => readonly string[]
): Scale {
	const steps = found.steps.map(({ step }) => step);
	const { narrow, wide } = found.ends ?? { narrow: scale.narrow.width, wide: scale.wide.width };
	return {
		...scale,
		narrow: { width: narrow, body: rounded(found.body.narrow), ratio: found.ratio.narrow },
		wide: { width: wide, body: rounded(found.body.wide), ratio: found.ratio.wide },
		up: Math.min(12, Math.max(1, ...steps)),
		down: Math.min(6, Math.max(0, ...steps.map((step) => -step))),
		own: [],
		roles: firsts(found.steps).map(({ name, step }) => ({
			step,
			name,
			selectors: [...selectorsOf(name, step)]
		}))
	};
}

/** The size from which steps are counted: the one named so, otherwise the last. */
const bodyOf = (sizes: readonly Sized[]): Sized | undefined =>
	sizes.find(({ name }) => /body|base|text|^p$|[-_]0$/i.test(name)) ?? sizes.at(-1);

/**
 * The scale in a file of sizes: a complete one, or the one that its sizes form, with sizes that deviate as their own;
 * names keep the selectors of their steps.
 */
export function importSizes(read: ReadSizes, scale: Scale): ImportedScale {
	if (!read.ok) return { scale: null, sentence: `${read.sentence} Nothing was imported.` };
	const of = read.value;
	if (of.kind === 'scale') {
		const [problem] = scaleProblems(of.scale);
		return problem
			? { scale: null, sentence: problem.sentence }
			: { scale: of.scale, sentence: 'Imported with its ends and names.' };
	}
	const { sizes, widths } = of;
	const body = bodyOf(sizes);
	const one = body && recognise(sizes, body);
	const found = one && { ...one, ...(widths ? { ends: widths } : {}) };
	if (!found)
		return {
			scale: null,
			sentence: `${sizes.length} sizes, which are no scale: no ratio leads through three of them at both ends.`
		};
	const selectors = (_: string, step: number): readonly string[] =>
		scale.roles.find((one) => one.step === step)?.selectors ?? [];
	const made = withRecognised(scale, found, selectors);
	const off = firsts(found.steps).filter(({ fits }) => !fits);
	const own = off.flatMap(({ step, name }) => {
		const size = sizes.find((one) => one.name === name);
		return size ? (['narrow', 'wide'] as const).map((end) => ({ step, end, size: rounded(size[end]) })) : [];
	});
	const others = off.length > 0 ? `; ${off.map(({ name }) => name).join(', ')} off it` : '';
	return {
		scale: { ...made, own },
		sentence: `${sizes.length} sizes imported as a scale${others}.`
	};
}
