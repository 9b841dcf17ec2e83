import {
	askingOf,
	cascadeOf,
	compareCandidates,
	hintDeclarations,
	isInherited,
	physicalOf,
	propertiesSet,
	ranksOf,
	styleDeclarations,
	verdictOf,
	type Candidate,
	type Case
} from '../../../src/lib/core/cascade/index.ts';
import { parsePage } from '../../../src/lib/core/html/index.ts';
import { sourcesOf } from '../../../src/lib/core/site/index.ts';
import { containersHold, selectorIndex } from '../../../src/lib/probe/cascade.ts';
import { engineOf } from '../../../src/lib/session/engine.ts';
import { elementByPath } from '../../../src/lib/probe/path.ts';

export interface Checked {
	/** Winners set on their elements as important styles, and longhands that nobody sets reset by `revert`. */
	readonly winners: number;
	readonly unset: number;
	/** What changed although nothing should. */
	readonly wrong: readonly string[];
	/** Where an element's rules stand in their texts, in cascade order, by the element's mark. */
	readonly orders: readonly { readonly mark: string; readonly rules: readonly string[] }[];
}

/** Checks the cascade of the present page, given its sources; marks every element. */
export function checkCascade(path: string, files: Readonly<Record<string, string>>, every: boolean): Checked {
	const sources = sourcesOf((file) => files[file]);
	const page = parsePage(files[path] ?? '');
	const cascade = cascadeOf(page, path, sources);
	const asking = askingOf(cascade);
	const index = selectorIndex(asking.queries);
	const engine = engineOf(document);
	const containers = [
		...new Set(
			cascade.declared.flatMap(({ conditions }) =>
				conditions.flatMap((one) => (one.kind === 'container' ? one.text : []))
			)
		)
	];
	const wrong: string[] = [];
	const orders: { mark: string; rules: string[] }[] = [];
	let winners = 0;
	let unset = 0;
	const html = page.elements.flatMap((source) => {
		const element = elementByPath(document, source.path);
		return element instanceof HTMLElement ? { source, element } : [];
	});
	const held = containersHold(
		html.map(({ element }) => element),
		containers
	);
	html.forEach(({ source, element }, i) => {
		const mark = String(i);
		const style = getComputedStyle(element);
		const { writingMode, direction } = style;
		const of: Case = {
			applying: asking.applying(index.matches(element)),
			style: styleDeclarations(page.source, path, source),
			hints: hintDeclarations(path, source),
			layers: cascade.layers,
			holds: (condition) =>
				condition.kind === 'media'
					? matchMedia(condition.text).matches
					: condition.kind === 'supports'
						? CSS.supports(condition.text)
						: (held[i]?.[containers.indexOf(condition.text)] ?? false),
			physical: (longhand) => physicalOf(longhand, { writingMode, direction }),
			engine
		};
		const ranks = ranksOf(cascade.layers.filter(({ conditions }) => conditions.every(of.holds)));
		const rules = of.applying
			.filter(
				({ declared, hit }) => hit.states.length === 0 && declared.rule && declared.conditions.every(of.holds)
			)
			.map(({ declared, hit }) => {
				const { rule, source: text, declarations } = declared;
				const first = declarations[0]?.span.start ?? 0;
				// Declarations after nested rules, or in a condition within the rule, are a rule of their own to the engine.
				const leads = rule?.children.find(({ kind }) => kind !== 'comment') === declarations[0];
				const before = text.slice(0, leads ? (rule?.block.start ?? 0) + 1 : first).split('\n');
				const candidate = { hit, attribute: null, layer: declared.layer, order: [declared.text, first] };
				return {
					name: `${declared.file} ${before.length - 1}:${before.at(-1)?.length ?? 0}`,
					candidate: candidate as unknown as Candidate
				};
			})
			.sort((a, b) => compareCandidates(a.candidate, b.candidate, ranks).sign);
		orders.push({ mark, rules: [...new Set(rules.map(({ name }) => name))] });
		const check = (name: string, property: string, value: string, what: string): void => {
			const before = style.getPropertyValue(name);
			const attribute = element.getAttribute('style');
			element.style.setProperty(property, value, 'important');
			const after = style.getPropertyValue(name);
			if (attribute === null) element.removeAttribute('style');
			else element.setAttribute('style', attribute);
			if (before !== after)
				wrong.push(
					`${element.localName}#${element.id}.${element.className} ${name}: ${what} \`${value}\` gives ${after}, not ${before}`
				);
		};
		/** All at once, for one style and one reading; one by one where that changes anything, to name it. */
		const checkAll = (all: readonly (readonly [name: string, value: string])[], what: string): void => {
			const before = all.map(([name]) => style.getPropertyValue(name));
			const attribute = element.getAttribute('style');
			for (const [name, value] of all) element.style.setProperty(name, value, 'important');
			const same = all.every(([name], j) => style.getPropertyValue(name) === before[j]);
			if (attribute === null) element.removeAttribute('style');
			else element.setAttribute('style', attribute);
			if (!same) for (const [name, value] of all) check(name, name, value, what);
		};
		const set = propertiesSet(of);
		const won: (readonly [string, string])[] = [];
		const idle: (readonly [string, string])[] = [];
		for (const property of set) {
			const { winner } = verdictOf(property, of);
			if (!winner) idle.push([property, 'revert']);
			else if (winner.value === '') check(property, winner.property, winner.written, 'the winner');
			else won.push([property, winner.value]);
			if (winner) winners++;
		}
		if (every) {
			for (const longhand of engine.longhands) {
				if (!set.has(of.physical(longhand))) idle.push([longhand, 'revert']);
			}
		}
		unset += idle.length;
		checkAll(won, 'the winner');
		checkAll(idle, 'nothing');
	});
	html.forEach(({ element }, i) => element.setAttribute('data-mark', String(i)));
	return { winners, unset, wrong, orders };
}

/** Values of which some longhand or other takes one that is not its initial one. */
const SAMPLES =
	'red 7px 3 0.5 none auto hidden center all both inside circle italic 700 uppercase nowrap vertical-rl rtl collapse bottom "x" crispEdges pixelated evenodd linearRGB optimizeSpeed bevel round help flex absolute left scroll manual keep-all justify stroke only dark balance isolate button multiply url(#x) 2px/3px monospace exact sans-serif under over filled each-line full-width embed overlay block 5s 2 2turn infinite break-word small-caps text grid fixed x'
		.split(' ')
		.concat([
			'1px 2px',
			'blur(2px)',
			'scale(2)',
			'dot',
			'0 0 1px red',
			'no-common-ligatures',
			'"liga" 0',
			'"wght" 400'
		]);

/** Longhands whose inheritance differs between the engine and core, and how many could be tried. */
export function checkInherited(): { readonly tried: number; readonly wrong: readonly string[] } {
	const parent = document.body.appendChild(document.createElement('div'));
	const child = parent.appendChild(document.createElement('div'));
	const wrong: string[] = [];
	let tried = 0;
	for (const name of engineOf(document).longhands) {
		child.style.cssText = `${name}: unset`;
		parent.style.cssText = '';
		const initial = getComputedStyle(parent).getPropertyValue(name);
		const before = getComputedStyle(child).getPropertyValue(name);
		for (const sample of SAMPLES) {
			parent.style.cssText = `border-style: solid; outline-style: solid; column-rule-style: solid; position: relative; ${name}: ${sample}`;
			const value = getComputedStyle(parent).getPropertyValue(name);
			// A length in one of the browser's own units may follow the parent's size without being inherited.
			if (value === initial || /^(width|height|.*-size|.*-origin)$/.test(name) !== /^font-size$/.test(name))
				continue;
			tried++;
			const follows = getComputedStyle(child).getPropertyValue(name) !== before;
			if (follows !== isInherited(name)) wrong.push(`${name}: ${sample}`);
			break;
		}
	}
	parent.remove();
	return { tried, wrong };
}
