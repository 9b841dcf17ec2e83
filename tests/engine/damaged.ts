import { sliceOf, walk, parseSheet, type Block, type Rule } from '../../src/lib/core/css/index.ts';

/** A sheet with something of everything, in which each rule has a custom property of its own. */
export const WHOLE = `/* first */
p { --a: 1; color: red }
.a, b > i:hover { --b: calc(1px + (2px * 3)); }
@media (min-width: 700px) { p { --c: 1 } /* in */ .b { --d: "x;y{z}" } }
@layer base { a[href="}"] { --e: url(x.png) } @media print { u { --f: 1 } } }
@supports (display: grid) { s { --g: 1; } s { --h: 1 } }
.n { --i: 1; &:hover { --j: 1 } > q { --k: 1 } @media (width > 3px) { --l: 1; em { --m: 1 } } --n: 1 }
@container (width > 1px) { h1 { --o: 1 } }
@font-face { font-family: x; src: url(y) }
@keyframes k { from { --p: 1 } 50% { --q: 1 } to { --r: 1 } }
@page { margin: 1cm }
h2 { --s: 1 !important; --t: { a: b }; width: 1px }
@scope (.a) to (.b) { h3 { --u: 1 } }
h4 { --v: 1 }
`;

const PIECES = [
	';',
	'{',
	'}',
	'(',
	')',
	'[',
	']',
	'"',
	"'",
	'/*',
	'*/',
	'\\',
	'@',
	'!',
	':',
	',',
	' ',
	'\n',
	'<!--',
	'-->',
	'url(',
	'@media',
	'&',
	'a{',
	';;',
	'--x',
	'@x;'
];

/** Numbers from 0 to under 1, the same ones for a seed (mulberry32). */
function random(seed: number): () => number {
	let state = seed;
	return () => {
		state = (state + 0x6d2b79f5) | 0;
		let t = Math.imul(state ^ (state >>> 15), 1 | state);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
}

/** The sheet with one to three damages: something inserted, removed or doubled. */
export function damaged(seed: number, whole = WHOLE): string {
	const next = random(seed);
	let text = whole;
	for (let i = Math.ceil(next() * 3); i > 0; i--) {
		const at = Math.floor(next() * text.length);
		const way = next();
		const piece = PIECES[Math.floor(next() * PIECES.length)] ?? ';';
		const long = Math.floor(next() * 6);
		if (way < 0.55) text = text.slice(0, at) + piece + text.slice(at);
		else if (way < 0.85) text = text.slice(0, at) + text.slice(at + 1 + long);
		else text = text.slice(0, at) + text.slice(at, at + 12) + text.slice(at);
	}
	return text;
}

/**
 * Where a custom property is declared: the at-rules and selectors around it as written, outermost first; its name and
 * value.
 */
export interface Declared {
	readonly around: readonly string[];
	readonly name: string;
	readonly value: string;
}

/** What kind of prelude a rule has: that of keyframes (`%`), one in a rule or a scope (`&`), one straight in a sheet (`.`). */
function markOf({ parent }: Rule): string {
	if (parent.kind === 'at-rule' && parent.name === 'keyframes') return '%';
	for (let at: Block = parent; at.kind !== 'sheet'; at = at.parent)
		if (at.kind === 'rule' || at.name === 'scope') return '&';
	return '.';
}

/** What core reads of custom properties in a sheet. */
export function declaredIn(source: string): Declared[] {
	const sheet = parseSheet(source);
	const found: Declared[] = [];
	for (const node of walk(sheet)) {
		if (node.kind !== 'declaration' || !node.property.startsWith('--')) continue;
		const around: string[] = [];
		for (let at: Block = node.parent; at.kind !== 'sheet'; at = at.parent) {
			const prelude = sliceOf(source, at.prelude);
			around.unshift(at.kind === 'rule' ? `${markOf(at)}${prelude}` : `@${at.name} ${prelude}`);
		}
		found.push({ around, name: node.property, value: sliceOf(source, node.value) });
	}
	return found;
}

/** At-rules that contain rules for elements. */
const GROUPS = /^@(media|supports|layer|container|scope)\b/;

/** Whether declarations in these at-rules and rules can have an effect, assuming each of them is valid. */
export function canHold(around: readonly string[]): boolean {
	const frames = around.findIndex((one) => /^@keyframes\b/.test(one));
	const outer = frames < 0 ? around : around.slice(0, frames);
	if (!outer.every((one) => !one.startsWith('@') || GROUPS.test(one))) return false;
	if (frames >= 0)
		return (
			outer.every((one) => one.startsWith('@')) &&
			around.length === frames + 2 &&
			!around.at(-1)?.startsWith('@')
		);
	return around.some((one) => !one.startsWith('@') || /^@scope\b/.test(one));
}
