import { rememberedWith } from '../remember/index.ts';
import type { Candidate, Case, Loss } from './case.ts';

/** Whether `all` sets a property (CSS Cascade 5 §3.2). */
const isOfAll = (property: string): boolean =>
	!property.startsWith('--') && property !== 'direction' && property !== 'unicode-bidi';

/** The candidates of a longhand or custom property, in no particular order, including invalid ones. */
interface Candidates {
	readonly valid: readonly Candidate[];
	readonly invalid: readonly { readonly candidate: Candidate; readonly why: Loss }[];
}

const NO_CANDIDATES: Candidates = { valid: [], invalid: [] };

/** For the declarations of an element (identified by the list of those that apply): what affects each property. */
const indexOfCase = rememberedWith(({ applying }: Case) => applying, indexOf);

/** Every candidate of a property; they are sorted by property once per element. */
export function candidatesOf(property: string, of: Case): Candidates {
	const index = indexOfCase(of);
	const own = index.get(property.startsWith('--') ? property : of.physical(property)) ?? NO_CANDIDATES;
	const everything = isOfAll(property) ? (index.get('all')?.valid ?? []) : [];
	return everything.length > 0 ? { ...own, valid: [...own.valid, ...everything] } : own;
}

/**
 * The longhands, by their physical names, that the declarations of a case set; those of `all` are listed under its
 * own name.
 */
function indexOf({ applying, style, hints, physical, engine }: Case): Map<string, Candidates> {
	const index = new Map<string, { valid: Candidate[]; invalid: { candidate: Candidate; why: Loss }[] }>();
	const at = (name: string) => {
		let found = index.get(name);
		if (!found) index.set(name, (found = { valid: [], invalid: [] }));
		return found;
	};
	const put = (name: string, written: string, candidate: (value: string) => Candidate): void => {
		if (name.startsWith('--')) {
			at(name).valid.push(candidate(written));
			return;
		}
		const set = engine.expand(name, written);
		if (set && name === 'all') at(name).valid.push(candidate(written));
		else if (set) {
			for (const [longhand, value] of set) at(physical(longhand)).valid.push(candidate(value));
		} else {
			const why: Loss = { kind: engine.knows(name) ? 'not-valid' : 'unknown-name' };
			at(physical(name)).invalid.push({ candidate: candidate(written), why });
		}
	};
	for (const { declared, hit } of applying) {
		for (const node of declared.declarations) {
			const written = declared.source.slice(node.value.start, node.value.end);
			put(node.property, written, (value) => ({
				property: node.property,
				written,
				value,
				important: node.important,
				file: declared.file,
				span: { start: node.span.start + declared.offset, end: node.span.end + declared.offset },
				hit,
				attribute: null,
				layer: declared.layer,
				conditions: declared.conditions,
				order: [declared.text, node.span.start],
				node
			}));
		}
	}
	const attributes = [
		...hints.map((one) => ({ ...one, text: -1 })),
		...style.map((one) => ({ ...one, attribute: null, text: Infinity }))
	];
	attributes.forEach(({ property: name, value: written, important, span, file, attribute, text }, i) => {
		put(name, written, (value) => ({
			property: name,
			written,
			value,
			important,
			file,
			span,
			hit: null,
			attribute,
			layer: [],
			conditions: [],
			order: [text, i],
			node: null
		}));
	});
	return index;
}

/** Everything that is declared on an element, as written, in no particular order. */
export function declarationsOn({ applying, style, hints }: Case): { property: string; value: string }[] {
	return [
		...applying.flatMap(({ declared: { declarations, source } }) =>
			declarations.map(({ property, value }) => ({ property, value: source.slice(value.start, value.end) }))
		),
		...style,
		...hints
	];
}

/** The longhands and custom properties that the page's sheets or the style attribute set on an element. */
export function propertiesSet(of: Case): Set<string> {
	const { physical, engine } = of;
	const found = new Set<string>();
	const put = (name: string, value: string): void => {
		if (name.startsWith('--')) found.add(name);
		else if (name === 'all') {
			if (!engine.expand(name, value)) return;
			for (const longhand of engine.longhands) if (isOfAll(longhand)) found.add(physical(longhand));
		} else for (const longhand of engine.expand(name, value)?.keys() ?? []) found.add(physical(longhand));
	};
	for (const { property, value } of declarationsOn(of)) put(property, value);
	return found;
}
