import {
	sliceOf,
	type AtRule,
	type Block,
	type Declaration,
	type Rule,
	type Sheet,
	type Span
} from '../css/index.ts';
import type { Page } from '../html/index.ts';
import type { MediaQuery } from '../media/index.ts';
import { selectorsIn, wholeSelector, withParent } from '../selector/index.ts';
import { importsOf, sheetsOfPage, textOfUse, type Sources } from '../site/index.ts';

/** A condition around declarations, and where it is. */
export type Condition = {
	readonly file: string;
	/** In the file's text. */
	readonly span: Span;
	readonly text: string;
} & (
	| { readonly kind: 'media'; readonly queries: readonly MediaQuery[] }
	| { readonly kind: 'supports' }
	| { readonly kind: 'container' }
);

/**
 * An `@scope`: what its root and its limit must match; null for a root that is the parent of its sheet's element, or
 * for no limit.
 */
export interface Scope {
	readonly root: string | null;
	readonly limit: string | null;
}

/** A cascade layer by its names from the outermost; an unnamed one has a name that no sheet can write. */
export type Layer = readonly string[];

/** Declarations that belong together: of one rule, under the same conditions. */
export interface Declared {
	/** What the declarations apply to, each selector without nesting; `&` in an `@scope` as `:where(:scope)`. */
	readonly selectors: readonly string[];
	/** The rule that these selectors belong to; null for declarations directly in an `@scope`. */
	readonly rule: Rule | null;
	readonly declarations: readonly Declaration[];
	readonly conditions: readonly Condition[];
	/** No names for unlayered declarations. */
	readonly layer: Layer;
	/** From the outermost inwards. */
	readonly scopes: readonly Scope[];
	/** The text that contains the nodes. */
	readonly file: string;
	readonly source: string;
	readonly offset: number;
	/** Which text of the page it is, in order of appearance. */
	readonly text: number;
}

/** Each mention of a layer, in order of appearance: the first that is in force gives it its rank. */
export interface LayerMention {
	readonly layer: Layer;
	readonly conditions: readonly Condition[];
}

/** What an `@property` says about a custom property (CSS Properties and Values 1 §2). */
export interface Registered {
	/** Its syntax string, without quotes. */
	readonly syntax: string;
	readonly inherits: boolean;
	/** Null where it has none. */
	readonly initial: string | null;
}

/** Everything that a page's own sheets declare, in order of appearance. */
export interface PageCascade {
	readonly declared: readonly Declared[];
	readonly layers: readonly LayerMention[];
	/** Registered custom properties: the last valid `@property` of a name counts. */
	readonly registered: ReadonlyMap<string, Registered>;
}

interface Around {
	readonly conditions: readonly Condition[];
	readonly layer: Layer;
	readonly scopes: readonly Scope[];
}

interface Text {
	readonly file: string;
	readonly source: string;
	readonly offset: number;
	readonly text: number;
}

/** At-rules whose blocks contain no styles of elements, or only styles for a first frame. */
const WITHOUT_STYLE = new Set([
	'keyframes',
	'-webkit-keyframes',
	'font-face',
	'page',
	'property',
	'counter-style',
	'font-feature-values',
	'font-palette-values',
	'starting-style',
	'position-try',
	'view-transition'
]);

/**
 * All declarations of a page's sheets with everything that decides about them, in order of appearance (CSS Cascade 6
 * §6.1):
 * imports in their place, nested rules without nesting, and the `@layer`, `@scope` and conditions around each.
 */
export function cascadeOf(page: Page, path: string, sources: Sources): PageCascade {
	const declared: Declared[] = [];
	const layers: LayerMention[] = [];
	const registered = new Map<string, Registered>();
	let texts = 0;
	let unnamed = 0;

	const layered = (around: Around, name: string): Around => {
		const names = name.trim() === '' ? [` ${++unnamed}`] : name.trim().split(/\s*\.\s*/);
		const layer = [...around.layer, ...names];
		layers.push({ layer, conditions: around.conditions });
		return { ...around, layer };
	};
	const under = (around: Around, ...more: readonly Condition[]): Around =>
		more.length === 0 ? around : { ...around, conditions: [...around.conditions, ...more] };
	const media = (file: string, span: Span, text: string): Condition[] =>
		text.trim() === '' ? [] : [{ kind: 'media', file, span, text, queries: sources.queries(text) }];

	function read(
		source: string,
		file: string,
		offset: number,
		around: Around,
		chain: readonly string[]
	): void {
		const sheet = sources.sheet(source);
		const imports = new Map(importsOf(sheet, file).map((use) => [use.rule, use]));
		const shift = (span: Span): Span => ({ start: span.start + offset, end: span.end + offset });
		let left = imports.size;
		for (const node of sheet.children) {
			if (left === 0) break;
			if (node.kind !== 'at-rule') continue;
			const use = imports.get(node);
			// A layer's name counts where it appears, before whatever is imported after it.
			if (!use) {
				if (node.name === 'layer') mention(node, sheet, around);
				continue;
			}
			left--;
			const { parts, path: imported } = use;
			const supports: Condition[] =
				parts.supports === null
					? []
					: [{ kind: 'supports', file, span: shift(node.prelude), text: parts.supports }];
			let inner = under(around, ...media(file, shift(parts.mediaSpan), parts.media), ...supports);
			if (parts.layer !== null) inner = layered(inner, parts.layer);
			const text = imported === null || chain.includes(imported) ? undefined : sources.text(imported);
			if (imported !== null && text !== undefined) read(text, imported, 0, inner, [...chain, imported]);
		}
		block(sheet, sheet, { file, source, offset, text: texts++ }, around);
	}

	function mention(node: AtRule, { source }: Sheet, around: Around): void {
		for (const name of sliceOf(source, node.prelude).split(',')) layered(around, name);
	}

	function block(of: Block, sheet: Sheet, text: Text, around: Around): void {
		let together: Declaration[] = [];
		const close = (): void => {
			if (together.length > 0) put(of, together, text, around);
			together = [];
		};
		for (const node of of.children) {
			if (node.kind === 'declaration') together.push(node);
			if (node.kind === 'rule') {
				close();
				block(node, sheet, text, around);
			} else if (node.kind === 'at-rule') {
				close();
				atRule(node, sheet, text, around);
			}
		}
		close();
	}

	function atRule(node: AtRule, sheet: Sheet, text: Text, around: Around): void {
		const prelude = sliceOf(text.source, node.prelude);
		if (!node.block) {
			if (node.name === 'layer') mention(node, sheet, around);
			return;
		}
		if (node.name === 'property') register(prelude.trim(), node, text.source);
		if (node.opaque || WITHOUT_STYLE.has(node.name)) return;
		const span = { start: node.prelude.start + text.offset, end: node.prelude.end + text.offset };
		let inner = around;
		if (node.name === 'layer') inner = layered(around, prelude);
		else if (node.name === 'media') inner = under(around, ...media(text.file, span, prelude));
		else if (node.name === 'supports' || node.name === 'container') {
			inner = under(around, { kind: node.name, file: text.file, span, text: prelude });
		} else if (node.name === 'scope') inner = { ...around, scopes: [...around.scopes, scopeOf(prelude)] };
		block(node, sheet, text, inner);
	}

	/** The whole rule is invalid without syntax or `inherits`, or without an initial value where one is required. */
	function register(name: string, node: AtRule, source: string): void {
		const said = new Map(
			node.children.flatMap((one) =>
				one.kind === 'declaration' ? [[one.property, sliceOf(source, one.value)] as const] : []
			)
		);
		const [syntax, inherits, initial] = [said.get('syntax'), said.get('inherits'), said.get('initial-value')];
		if (!name.startsWith('--') || syntax === undefined || !/^(true|false)$/i.test(inherits ?? '')) return;
		if (initial === undefined && !/^(["'])\s*\*\s*\1$/.test(syntax)) return;
		registered.set(name, {
			syntax: syntax.slice(1, -1).trim(),
			inherits: /^true$/i.test(inherits ?? ''),
			initial: initial ?? null
		});
	}

	function put(of: Block, declarations: readonly Declaration[], text: Text, around: Around): void {
		let rule: Rule | null = null;
		for (let at: Block = of; at.kind !== 'sheet'; at = at.parent) {
			if (at.kind === 'rule') {
				rule = at;
				break;
			}
			if (at.name === 'scope') break;
		}
		if (!rule && around.scopes.length === 0) return;
		const whole = rule ? wholeSelector(text.source, rule) : '&';
		const parent = around.scopes.length > 0 ? ':where(:scope)' : ':where(:root)';
		const selectors = selectorsIn(whole).map((one) => placed(one, parent));
		declared.push({ selectors, rule, declarations, ...around, ...text });
	}

	for (const use of sheetsOfPage(page, path)) {
		const outermost: Around = { conditions: [], layer: [], scopes: [] };
		const around = use.mediaSpan ? under(outermost, ...media(path, use.mediaSpan, use.media)) : outermost;
		const found = textOfUse(use, page, path, sources.text);
		if (found) read(found.text, found.file, found.offset, around, [found.file]);
	}
	return { declared, layers, registered };
}

/**
 * A selector with `&` replaced by what it means outside of all rules; one that begins with a combinator starts there.
 */
const placed = (selector: string, parent: string): string =>
	withParent(/^[>+~]/.test(selector) ? `& ${selector}` : selector, parent);

/** The root and limit of an `@scope` (CSS Cascade 6 §2.5.1): `(root) to (limit)`, either of which may be missing. */
function scopeOf(prelude: string): Scope {
	const inner = (from: number): { text: string; end: number } | null => {
		const open = prelude.indexOf('(', from);
		if (open === -1) return null;
		let depth = 0;
		for (let i = open; i < prelude.length; i++) {
			if (prelude[i] === '(') depth++;
			else if (prelude[i] === ')' && --depth === 0) {
				return { text: prelude.slice(open + 1, i).trim(), end: i + 1 };
			}
		}
		return { text: prelude.slice(open + 1).trim(), end: prelude.length };
	};
	if (/^\s*to\b/i.test(prelude)) return { root: null, limit: inner(0)?.text ?? null };
	const root = inner(0);
	return { root: root?.text ?? null, limit: root ? (inner(root.end)?.text ?? null) : null };
}
