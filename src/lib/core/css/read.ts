import { closingOf } from './closing.ts';
import type { AtRule, Block, Comment, Declaration, Rule, Sheet, Span } from './node.ts';
import { sourceOf, type Source } from './source.ts';
import { isSpace, next, skipSpace, T, textOf, tokensOf, unescapeCss, type Tokens } from './tokens.ts';
import { Recovery } from './recovery.ts';
import { noteUnclosed } from './unclosed.ts';

type Mutable<X> = { -readonly [K in keyof X]: X[K] };

/** At-rules whose block is read as declarations, rules and at-rules. */
const READ = new Set(
	(
		'media supports layer container scope starting-style document when else font-face keyframes ' +
		'-webkit-keyframes page property counter-style font-feature-values font-palette-values ' +
		'view-transition position-try color-profile ' +
		'stylistic historical-forms styleset character-variant swash ornaments annotation ' +
		'top-left-corner top-left top-center top-right top-right-corner bottom-left-corner bottom-left ' +
		'bottom-center bottom-right bottom-right-corner left-top left-middle left-bottom right-top ' +
		'right-middle right-bottom'
	).split(' ')
);

/** At-rules whose block may contain declarations without a rule around them. */
const HOLDS_DECLARATIONS = (name: string): boolean =>
	!/^(media|supports|layer|container|starting-style|document|when|else|keyframes|-webkit-keyframes)$/.test(
		name
	);

/**
 * Whether a block contains only rules, so that a `;` or a declaration in it becomes part of the prelude of the next
 * rule, which is dropped with it: the sheet (CSS Syntax 3 §5.5.1) and, in engines, the at-rules directly in it.
 */
function holdsRulesOnly(block: Block): boolean {
	for (let at = block; at.kind !== 'sheet'; at = at.parent)
		if (at.kind === 'rule' || HOLDS_DECLARATIONS(at.name)) return false;
	return true;
}

/**
 * Parses the text of a sheet, or of a part of one.
 *
 * @param above how many lines precede it: notes name their line
 */
export function readSheet(source: string, above = 0): Sheet {
	const tokens = tokensOf(source);
	const sheet: Mutable<Sheet> = {
		kind: 'sheet',
		source,
		span: { start: 0, end: source.length },
		children: [],
		notes: [],
		unread: [],
		closing: ''
	};
	const places = sourceOf(tokens, above);
	const parser = new Parser(tokens, places);
	parser.contents(sheet, 0, tokens.count);
	noteUnclosed(tokens, places);
	sheet.unread = parser.unread;
	sheet.notes = places.notes.sort((a, b) => a.span.start - b.span.start);
	sheet.closing = closingOf(tokens);
	return sheet;
}

/** How deep nested blocks are read; nobody nests so deep, and each level takes a step of the engine's own stack. */
const DEEPEST = 256;

class Parser {
	private depth = 0;
	readonly unread: Span[] = [];
	private readonly recovery: Recovery;

	constructor(
		private readonly tokens: Tokens,
		private readonly source: Source
	) {
		this.recovery = new Recovery(tokens, source);
	}

	/** Reads the nodes between two tokens into a block (CSS Syntax 3 §5.5.4, "consume a block's contents"). */
	contents(block: Block, from: number, to: number): void {
		if (this.depth >= DEEPEST) return this.noteTooDeep(block, from, to);
		this.depth++;
		this.read(block, from, to);
		this.depth--;
	}

	private noteTooDeep(block: Block, from: number, to: number): void {
		if (skipSpace(this.tokens, from, to) >= to) return;
		this.unread.push({ start: this.source.start(from), end: this.source.start(to) });
		const sentence = `Blocks stand ${DEEPEST} deep within one another here; what is in the innermost is not read.`;
		this.source.note('too-deep', { start: block.span.start, end: this.source.start(from) }, sentence);
	}

	private read(block: Block, from: number, to: number): void {
		const { types } = this.tokens;
		const rulesOnly = holdsRulesOnly(block);
		let i = from;
		while (i < to) {
			const type = types[i];
			if (type === T.WhiteSpace || (type === T.Semicolon && !rulesOnly)) i++;
			else if (type === T.Comment) i = this.comment(block, i);
			else if (block.kind === 'sheet' && (type === T.CDO || type === T.CDC)) i++;
			else if (type === T.AtKeyword) i = this.atRule(block, i, to);
			else i = (!rulesOnly && this.declaration(block, i, to)) || this.rule(block, i, to, rulesOnly);
		}
	}

	private comment(block: Block, i: number): number {
		const node: Comment = { kind: 'comment', span: this.source.span(i, i + 1), parent: block };
		block.children.push(node);
		return i + 1;
	}

	private atRule(block: Block, i: number, to: number): number {
		const { tokens } = this;
		const { types } = tokens;
		let at = i + 1;
		while (at < to && types[at] !== T.Semicolon && types[at] !== T.LeftCurly) at = next(tokens, at);
		at = Math.min(at, to);
		const name = unescapeCss(textOf(tokens, i).slice(1)).toLowerCase();
		const opens = at < to && types[at] === T.LeftCurly;
		const close = opens ? (tokens.close[at] as number) : at;
		const node: Mutable<AtRule> = {
			kind: 'at-rule',
			// The `;` of a statement is removed together with it.
			span: this.source.span(i, opens ? close + 1 : Math.min(at + 1, to)),
			parent: block,
			name,
			prelude: this.source.trimmed(i + 1, at),
			block: opens ? this.source.span(at, close + 1) : null,
			children: [],
			opaque: opens && !READ.has(name)
		};
		block.children.push(node);
		if (!opens) return at + 1;
		if (!node.opaque) this.contents(node, at + 1, Math.min(close, tokens.count));
		return close + 1;
	}

	/** The token after the declaration at `i`; 0 where there is no declaration. */
	private declaration(block: Block, i: number, to: number): number {
		const { tokens } = this;
		const { types } = tokens;
		if (types[i] !== T.Ident) return 0;
		const colon = skipSpace(tokens, i + 1, to);
		if (colon >= to || types[colon] !== T.Colon) return 0;
		const written = unescapeCss(textOf(tokens, i));
		const custom = written.startsWith('--');
		const first = skipSpace(tokens, colon + 1, to);
		let at = first;
		let last = first - 1;
		let bad = -1;
		let secondColon = -1;
		while (at < to && types[at] !== T.Semicolon) {
			const type = types[at] as number;
			if (type === T.LeftCurly && !custom) return 0;
			if (type === T.BadString || type === T.BadUrl) bad = at;
			if (type === T.Colon && secondColon === -1) secondColon = at;
			if (!isSpace(tokens, at)) last = Math.min(tokens.close[at] || at, tokens.count - 1);
			at = next(tokens, at);
		}
		at = Math.min(at, to);
		last = Math.min(last, to - 1);
		const flag = this.flag(first, last);
		const node: Declaration = {
			kind: 'declaration',
			span: {
				start: this.source.start(i),
				end: last < first ? this.source.start(colon + 1) : this.source.start(last + 1)
			},
			parent: block,
			property: custom ? written : written.toLowerCase(),
			name: this.source.span(i, i + 1),
			value: this.source.trimmed(first, flag === -1 ? last + 1 : flag),
			important: flag !== -1
		};
		if (bad === -1 && secondColon !== -1 && !custom) this.recovery.missingSemicolon(first, secondColon, node);
		if (!this.declarationsStand(block)) {
			this.source.note(
				'declaration-outside-rule',
				node.span,
				`\`${this.source.quote(node.span)}\` stands outside any rule, so it has no effect.`
			);
		}
		block.children.push(node);
		return at + 1;
	}

	private declarationsStand(block: Block): boolean {
		for (let at = block; at.kind !== 'sheet'; at = at.parent) {
			if (at.kind === 'rule' || HOLDS_DECLARATIONS(at.name)) return true;
		}
		return false;
	}

	/** The index of the `!` of an `!important` that ends at token `last`; -1 where there is none. */
	private flag(first: number, last: number): number {
		const { tokens } = this;
		if (last <= first || tokens.types[last] !== T.Ident) return -1;
		if (unescapeCss(textOf(tokens, last)).toLowerCase() !== 'important') return -1;
		let at = last - 1;
		while (at > first && isSpace(tokens, at)) at--;
		return tokens.types[at] === T.Delim && textOf(tokens, at) === '!' ? at : -1;
	}

	private rule(block: Block, i: number, to: number, rulesOnly: boolean): number {
		const { tokens } = this;
		const { types } = tokens;
		const nested = !rulesOnly;
		let at = i;
		let semicolon = -1;
		let brace = -1;
		while (at < to && types[at] !== T.LeftCurly) {
			if (types[at] === T.Semicolon) {
				if (nested) break;
				if (semicolon === -1) semicolon = at;
			}
			if (types[at] === T.RightCurly && brace === -1) brace = at;
			at = next(tokens, at);
		}
		at = Math.min(at, to);
		const opens = at < to && types[at] === T.LeftCurly;
		if (!opens) {
			this.recovery.noBlock(nested, i, at);
			return at + 1;
		}
		const close = tokens.close[at] as number;
		const node: Rule = {
			kind: 'rule',
			span: this.source.span(i, close + 1),
			parent: block,
			prelude: this.source.trimmed(i, at),
			block: this.source.span(at, close + 1),
			dropped: brace !== -1 || semicolon !== -1,
			children: []
		};
		this.recovery.stray({ from: i, at, brace, semicolon });
		block.children.push(node);
		this.contents(node, at + 1, Math.min(close, tokens.count));
		return close + 1;
	}
}
