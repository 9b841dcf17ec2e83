/**
 * Pages generated from a seed, with what makes layouts change from width to width: texts, percentages, wrapping,
 * conditions, pictures.
 */
function random(seed: number): (below: number) => number {
	let state = seed * 2654435761;
	return (below) => {
		state = (Math.imul(state ^ (state >>> 15), 2246822519) + 3266489917) >>> 0;
		return state % below;
	};
}

const WORDS = 'ab abcd abcdefg abcdefghijkl abcdefghijklmnopqr abc-def a abcde'.split(' ');
const PICTURE =
	'data:image/svg+xml,%3Csvg xmlns=%22http://www.w3.org/2000/svg%22 width=%22120%22 height=%2260%22/%3E';

export interface MadePage {
	readonly html: string;
	readonly css: string;
	/** Where conditions change, px. */
	readonly cuts: readonly number[];
}

export function madePage(seed: number): MadePage {
	const of = random(seed + 1);
	const pick = <X>(list: readonly X[]): X => list[of(list.length)] as X;
	const words = (most: number): string => Array.from({ length: 1 + of(most) }, () => pick(WORDS)).join(' ');
	const cuts = [...new Set(Array.from({ length: of(4) }, () => 300 + of(450)))].sort((a, b) => a - b);
	const length = (): string =>
		pick([
			`${20 + of(400)}px`,
			`${5 + of(110)}%`,
			`${5 + of(60)}vw`,
			`calc(${5 + of(60)}% + ${of(120)}px)`,
			`clamp(${20 + of(100)}px, ${2 + of(40)}vw, ${120 + of(300)}px)`
		]);
	const box = (): string =>
		pick([
			() => `width: ${length()}`,
			() => `min-width: ${60 + of(300)}px`,
			() => `margin-left: ${pick(['-', ''])}${of(60)}px`,
			() => `padding: 0 ${of(40)}px`,
			() => `font-size: ${pick(['', '1.2'])}${1 + of(3)}em`,
			() => 'white-space: nowrap',
			() => `overflow: ${pick(['hidden', 'auto', 'visible'])}`,
			() => `position: relative; left: ${of(40) - 10}%`,
			() => 'display: flex; flex-wrap: wrap; gap: 7px',
			() => `display: grid; grid-template-columns: repeat(auto-fill, minmax(${60 + of(120)}px, 1fr))`,
			() => `display: flex; gap: ${of(20)}px`,
			() => `height: ${20 + of(40)}px`,
			() => `float: ${pick(['left', 'right'])}; width: ${20 + of(60)}%`,
			() => `text-align: ${pick(['right', 'center'])}`
		])();
	const classes = Array.from({ length: 8 }, (_, i) => `c${i}`);
	const rules = (): string =>
		classes
			.filter(() => of(3) > 0)
			.map((name) => `.${name} { ${box()}; ${of(2) ? box() : ''} }`)
			.join('\n');
	const node = (depth: number): string => {
		const tag = pick(['div', 'p', 'section', 'span', 'b']);
		if (of(9) === 0) return `<img class="${pick(classes)}" src="${PICTURE}" alt="">`;
		const inside =
			depth > 2 || of(3) === 0
				? words(9)
				: Array.from({ length: 1 + of(4) }, () => node(depth + 1)).join(' ');
		return `<${tag === 'p' && depth < 3 ? 'div' : tag} class="${pick(classes)}">${inside}</${tag === 'p' && depth < 3 ? 'div' : tag}>`;
	};
	return {
		html: `<!doctype html><style>x</style><body>${Array.from({ length: 5 }, () => node(0)).join('\n')}`,
		css: `body { margin: 0; font: 16px/1.4 monospace }\n${rules()}\n${cuts.map((at) => `@media (${pick(['min', 'max'])}-width: ${at}px) {\n${rules()}\n}`).join('\n')}`,
		cuts
	};
}
