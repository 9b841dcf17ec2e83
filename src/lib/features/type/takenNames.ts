import { givenBy } from '$lib/core/css/edit/index.ts';
import { parseSheet, sliceOf } from '$lib/core/css/index.ts';
import type { Declared } from '$lib/core/scale/index.ts';

/**
 * The custom properties of a scale that a sheet already defines as something other than a length, by the field that
 * names them.
 */
export function takenNames(
	file: string,
	text: string,
	declared: readonly Declared[],
	isLength: (value: string) => boolean
): { readonly field: string; readonly sentence: string }[] {
	const sheet = parseSheet(text);
	return declared.flatMap(({ property, step }) => {
		if (!property.startsWith('--') || !text.includes(property)) return [];
		const other = givenBy(sheet, property)
			.map(({ value }) => sliceOf(text, value))
			.find((value) => !/var\(/.test(value) && !isLength(value));
		const sentence = `“${property}” is already in use for something else: \`${other ?? ''}\` (${file}). Choose another pattern.`;
		return other === undefined ? [] : [{ field: `role.${step ?? property}`, sentence }];
	});
}
