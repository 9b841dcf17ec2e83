import { fewestPlaces, fluidText } from './fluid.ts';
import { stepText, writingOf } from './exchange.ts';
import { nameBy, namedSteps, type Scale } from './scale.ts';

/** A declaration that a scale writes into the sheet. */
export interface Declared {
	readonly selector: string;
	readonly property: string;
	readonly value: string;
	/** The declaration before it for engines that do not know its value; '' for none. */
	readonly fallback: string;
	/** Its step; null for line heights, weights and spaces. */
	readonly step: number | null;
}

/**
 * A multiple of the size, narrow and wide, as a line height: a number where both are the same, otherwise a fluid
 * length.
 */
function lineText(
	scale: Scale,
	size: { narrow: number; wide: number },
	line: readonly number[],
	root: number
) {
	const [narrow = 0, wide = 0] = line;
	if (narrow === wide) return fewestPlaces(narrow, 0.0005);
	const { narrow: from, wide: to } = scale;
	return fluidText(
		{
			from: { width: from.width, size: size.narrow * narrow },
			to: { width: to.width, size: size.wide * wide }
		},
		writingOf(scale, root)
	);
}

/**
 * The declarations of a scale: custom properties on the root, then rules for elements, then classes, each from the
 * largest step; `root` is the number of px per rem.
 */
export function declarationsOf(scale: Scale, root: number): Declared[] {
	const { output, groups, spaces } = scale;
	const steps = namedSteps(scale);
	const property = (name: string): string => nameBy(output.property, name);
	const found: Declared[] = [];
	if (output.properties) {
		for (const step of steps) {
			const value = stepText(scale, step, root);
			const name = property(step.role.name);
			found.push({ selector: ':root', property: name, value, fallback: '', step: step.step });
		}
		for (const { name, times } of spaces) {
			const size = { narrow: scale.narrow.body * times, wide: scale.wide.body * times };
			const value = stepText(scale, size, root);
			found.push({
				selector: ':root',
				property: nameBy('--space-NAME', name),
				value,
				fallback: '',
				step: null
			});
		}
	}
	for (const step of steps) {
		const { name, selectors } = step.role;
		const text = stepText(scale, step, root);
		const value = output.properties ? `var(${property(name)})` : text;
		const fallback =
			output.fallback && !output.properties && text.startsWith('clamp(')
				? `${fewestPlaces(step.narrow / (output.ends === 'rem' ? root : 1), 0.0005)}${output.ends}`
				: '';
		const group = groups.find(({ roles }) => roles.includes(name));
		const targets = [
			...(output.rules ? selectors : []),
			...(output.classes ? [`.${nameBy(output.class, name)}`] : [])
		];
		for (const selector of targets) {
			found.push({ selector, property: 'font-size', value, fallback, step: step.step });
			if (group?.weight)
				found.push({ selector, property: 'font-weight', value: group.weight, fallback: '', step: null });
			if (group && group.line[0] > 0)
				found.push({
					selector,
					property: 'line-height',
					value: lineText(scale, step, group.line, root),
					fallback: '',
					step: null
				});
		}
	}
	return found;
}
