/** A value that two elements have, and whether it is the same. */
export interface TwinValue {
	readonly name: string;
	readonly a: string;
	readonly b: string;
	readonly same: boolean;
}

/** A text with two words exchanged wherever they stand. */
const exchanged = (text: string, one: string, other: string): string =>
	text.replace(new RegExp(`\\b(${one}|${other})\\b`, 'g'), (word) => (word === one ? other : one));

const MIRRORED_VALUES =
	/^(float|clear|text-align|text-align-last|justify-content|justify-items|justify-self)$/;

function mirroredDirection(value: string): string {
	if (value === 'row') return 'row-reverse';
	return value === 'row-reverse' ? 'row' : value;
}

/** A value as it would be in a mirror: sides of keywords exchanged, `row` and `row-reverse` too. */
function mirroredValue(name: string, value: string): string {
	if (name === 'flex-direction') return mirroredDirection(value);
	if (!MIRRORED_VALUES.test(name)) return value;
	return exchanged(exchanged(value, 'left', 'right'), 'start', 'end');
}

/** Longhands that say again what a physical one says, or follow from the size alone. */
const AGAIN =
	/-(inline|block)(-|$)|^(inline|block)-size$|^border-(start|end)-|^(perspective|transform)-origin$/;

/**
 * The values of two elements side by side, those that differ first, otherwise in the order of the first. With
 * `mirrored` each value of the first is set against what the second has on the other side.
 */
export function twinValues(
	a: ReadonlyMap<string, string>,
	b: ReadonlyMap<string, string>,
	mirrored: boolean
): TwinValue[] {
	const own = [...a].filter(([name]) => !AGAIN.test(name));
	const values = own.map(([name, value]): TwinValue => {
		const other = b.get(mirrored ? exchanged(name, 'left', 'right') : name) ?? '';
		const seen = mirrored ? mirroredValue(name, other) : other;
		return { name, a: value, b: other, same: value === seen };
	});
	return [...values.filter(({ same }) => !same), ...values.filter(({ same }) => same)];
}
