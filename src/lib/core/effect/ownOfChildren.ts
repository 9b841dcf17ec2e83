import type { Facts, Kind } from './kind.ts';

/** Values that depend on the parent. */
const RELATIVE =
	/^(inherit|unset|revert|revert-layer|currentcolor)$|\d(?:em|ex|ch|lh|cap|ic|%)|larger|smaller|bolder|lighter|var\(/i;

/** Whether an element sets a property itself, whatever its parent has. */
function saysAnew(longhand: string, facts: Facts): boolean {
	const value = facts.specified(longhand)?.trim();
	return value !== undefined && !RELATIVE.test(value);
}

/** An inherited value on an element whose children all set their own. */
export const ownOfChildren: Kind = {
	name: 'a value on a wrapper whose children have their own',
	properties: [
		'color',
		'font-family',
		'font-size',
		'font-style',
		'font-weight',
		'letter-spacing',
		'line-height',
		'text-align',
		'text-transform',
		'word-spacing'
	],
	of(longhand, facts) {
		const children = facts.children();
		if (facts.words || !children || children.length === 0) return undefined;
		if (!children.every((child) => saysAnew(longhand, child))) return undefined;
		const names = [...new Set(children.map(({ tag }) => tag))].slice(0, 4).join(', ');
		return {
			reason: `${longhand} passes to what is in it, and all of that (${names}) has its own: it reaches no words.`,
			instead: `${longhand} on ${names} itself, or removed there.`,
			standard: 'CSS Cascade 5 §7.2'
		};
	}
};
