/** A value that two elements have, and whether it is the same. */
export interface TwinValue {
	readonly name: string;
	readonly a: string;
	readonly b: string;
	readonly same: boolean;
}

/** A text with two words exchanged wherever they occur. */
const exchanged = (text: string, one: string, other: string): string =>
	text.replace(new RegExp(`\\b(${one}|${other})\\b`, 'g'), (word) => (word === one ? other : one));

const MIRRORED_VALUES =
	/^(float|clear|text-align|text-align-last|justify-content|justify-items|justify-self)$/;

function mirroredDirection(value: string): string {
	if (value === 'row') return 'row-reverse';
	return value === 'row-reverse' ? 'row' : value;
}

/** A value as it would be mirrored: keywords for sides are exchanged, `row` and `row-reverse` too. */
function mirroredValue(name: string, value: string): string {
	if (name === 'flex-direction') return mirroredDirection(value);
	if (!MIRRORED_VALUES.test(name)) return value;
	return exchanged(exchanged(value, 'left', 'right'), 'start', 'end');
}

/** Longhands that repeat a physical one, or follow from the size alone. */
const AGAIN =
	/-(inline|block)(-|$)|^(inline|block)-size$|^border-(start|end)-|^(perspective|transform)-origin$/;

/**
 * The values of two elements side by side, differing ones first, otherwise in the order of the first element. With
 * `mirrored`, each value of the first is compared with the second's value on the opposite side.
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
