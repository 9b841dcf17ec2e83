import type { Declaration, Span } from './node.ts';
import type { Source } from './source.ts';
import { isSpace, T, textOf, type Tokens } from './tokens.ts';

/**
 * A rule as found, by tokens: where it begins, its block, and the first stray `}` and `;` before that; -1 for none.
 */
interface FoundRule {
	readonly from: number;
	readonly at: number;
	readonly brace: number;
	readonly semicolon: number;
}

/** Notes what browsers recover from while reading rules and declarations. */
export class Recovery {
	constructor(
		private readonly tokens: Tokens,
		private readonly source: Source
	) {}

	/** What precedes a rule and causes it to be dropped. */
	stray({ from: i, at, brace, semicolon }: FoundRule): void {
		if (brace !== -1) {
			const rest = this.source.quote(this.source.trimmed(brace + 1, at));
			this.source.note(
				'stray-brace',
				this.source.span(brace, brace + 1),
				`The \`}\` at line ${this.source.line(brace)} closes nothing; browsers drop the rule after it${rest ? `, \`${rest}\`` : ''}.`
			);
		} else if (semicolon === i) {
			const rest = this.source.quote(this.source.trimmed(i + 1, at));
			this.source.note(
				'stray-semicolon',
				this.source.span(i, i + 1),
				`The \`;\` at line ${this.source.line(i)} stands between rules: browsers drop the rule after it${rest ? `, \`${rest}\`` : ''}.`
			);
		} else if (semicolon !== -1) {
			const rest = this.source.quote(this.source.trimmed(semicolon + 1, at));
			this.source.note(
				'declaration-outside-rule',
				this.source.span(i, semicolon + 1),
				`\`${this.source.quote(this.source.span(i, semicolon))}\` stands outside any rule; browsers drop it together with the rule after it, \`${rest}\`.`
			);
		}
	}

	/** Something that begins no declaration and has no block. */
	noBlock(nested: boolean, from: number, to: number): void {
		const span = this.source.trimmed(from, to);
		if (span.start === span.end) return;
		const brace = this.tokens.types[from] === T.RightCurly;
		if (brace) {
			this.source.note(
				'stray-brace',
				this.source.span(from, from + 1),
				`The \`}\` at line ${this.source.line(from)} closes nothing.`
			);
		} else if (!nested && /^[;\s]*$/.test(this.source.quote(span))) {
			// Nothing follows that could be dropped with it.
		} else if (!nested && /^[\w-]+\s*:|;$/.test(this.source.quote(span))) {
			const text = this.source.quote(span).replace(/\s*;$/, '');
			this.source.note(
				'declaration-outside-rule',
				span,
				`\`${text}\` stands outside any rule, so it has no effect.`
			);
		} else if (nested) {
			this.dropped(span, this.source.quote(span), 'is no declaration: a property, a `:` and a value');
		} else {
			this.source.note(
				'no-block',
				span,
				`\`${this.source.quote(span)}\` at line ${this.source.line(from)} has no block; browsers drop it.`
			);
		}
	}

	/** A declaration whose value contains another colon, on a line of its own. */
	missingSemicolon(first: number, colon: number, node: Declaration): void {
		const { tokens } = this;
		let name = colon - 1;
		while (name > first && isSpace(tokens, name)) name--;
		if (name <= first || tokens.types[name] !== T.Ident) return;
		const gap = name - 1;
		if (tokens.types[gap] !== T.WhiteSpace || !textOf(tokens, gap).includes('\n')) return;
		this.source.note(
			'missing-semicolon',
			{ start: node.span.start, end: this.source.start(gap) },
			`A \`;\` is missing at the end of line ${this.source.line(gap)}; browsers drop \`${node.property}\` and \`${textOf(tokens, name)}\` both.`
		);
	}

	private dropped(span: Span, what: string, why: string): void {
		this.source.note(
			'not-a-declaration',
			span,
			`\`${what}\` at line ${this.source.lineAt(span.start)} ${why}; browsers drop it.`
		);
	}
}
