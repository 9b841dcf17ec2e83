import { mostFrequent } from '../../text/index.ts';
import { rememberedWith } from '../../remember/index.ts';
import type { Block, Declaration, Node, Sheet } from '../node.ts';
import { indentAt, isFirstOnLine } from './line.ts';

/** How a sheet formats its rules and declarations, read from the sheet itself. */
export interface Hand {
	/** One step of indentation. */
	readonly indent: string;
	/** The text between a property's colon and its value. */
	readonly afterColon: string;
	/** Whether a rule with one declaration is written on one line. */
	readonly oneLine: boolean;
	/** Whether the last declaration of a block ends with a semicolon. */
	readonly lastSemicolon: boolean;
	/** The text between a selector and its brace. */
	readonly beforeBrace: string;
	/** Whether an empty line separates rules. */
	readonly apart: boolean;
	/** Where conditions are written: within their rule, after it, or together after all rules. */
	readonly media: 'nested' | 'beside' | 'end';
}

/** Counts the answers to a question. */
class Votes {
	#yes = 0;
	#no = 0;
	readonly #otherwise: boolean;

	/** `otherwise` is the answer where there are none, or as many of both. */
	constructor(otherwise: boolean) {
		this.#otherwise = otherwise;
	}

	count(yes: boolean): void {
		if (yes) this.#yes++;
		else this.#no++;
	}

	get yes(): boolean {
		return this.#yes === this.#no ? this.#otherwise : this.#yes > this.#no;
	}
}

/**
 * The length of what ends a declaration: its semicolon, with the space and comments before it; 0 where there is none.
 */
export const closeOf = (source: string, { span, parent }: Declaration): number =>
	/^(?:\s|\/\*[\s\S]*?\*\/)*;/.exec(source.slice(span.end, parent.span.end))?.[0].length ?? 0;

/** From a longer block, so many runs of so many pieces are read, spread evenly. */
const [RUNS, RUN] = [10, 6];

/** The indexes that are read in a block with so many pieces. */
function placesRead(count: number): number[] {
	if (count <= RUNS * RUN) return Array.from({ length: count }, (_, i) => i);
	return Array.from({ length: RUNS * RUN }, (_, i) => {
		const run = Math.floor(i / RUN);
		return Math.floor((run * (count - RUN)) / (RUNS - 1)) + (i % RUN);
	});
}

/** How a sheet formats its rules; the usual style where the sheet does not show one. Read once. */
export const handOf = rememberedWith((sheet: Sheet) => sheet, readHand);

function readHand(sheet: Sheet): Hand {
	const { source } = sheet;
	const [spaced, oneLine, closed, braced, apart] = [true, false, true, true, true].map(
		(otherwise) => new Votes(otherwise)
	) as [Votes, Votes, Votes, Votes, Votes];
	const [nested, followed] = [new Votes(false), new Votes(false)];
	const indents: string[] = [];

	/**
	 * The space between two neighbours; a comment belongs to what precedes it on its line, and otherwise to what
	 * follows.
	 */
	function between(node: Node, next: Node): void {
		if (node.kind === 'declaration' || next.kind === 'declaration') return;
		const space = source.slice(node.span.end, next.span.start);
		if (!space.includes('\n') || (node.kind === 'comment' && isFirstOnLine(source, node.span.start))) return;
		apart.count(/\n[^\S\n]*\n/.test(space));
	}

	function read(block: Block): void {
		const { children } = block;
		const lastRule = children.findLastIndex(({ kind }) => kind === 'rule');
		const outer = block.kind === 'sheet' ? '' : indentAt(source, block.span.start);
		for (const i of placesRead(children.length)) {
			const node = children[i] as Node;
			const next = children[i + 1];
			if (next) between(node, next);
			if (block.kind !== 'sheet' && isFirstOnLine(source, node.span.start)) {
				const step = indentAt(source, node.span.start).slice(outer.length);
				if (step !== '') indents.push(step);
			}
			if (node.kind === 'declaration') {
				spaced.count(/\s/.test(source.slice(node.name.end, node.value.start)));
				if (!next) closed.count(closeOf(source, node) > 0);
			}
			if (node.kind === 'at-rule' && node.name === 'media') {
				nested.count(block.kind === 'rule');
				if (block.kind !== 'rule') followed.count(i < lastRule);
			}
			if (node.kind === 'rule') {
				braced.count(node.block.start > node.prelude.end);
				if (node.children.length === 1)
					oneLine.count(!source.slice(node.block.start, node.block.end).includes('\n'));
			}
			if (node.kind === 'rule' || node.kind === 'at-rule') read(node);
		}
	}
	read(sheet);
	return {
		indent: mostFrequent(indents) ?? '\t',
		afterColon: spaced.yes ? ' ' : '',
		oneLine: oneLine.yes,
		lastSemicolon: closed.yes,
		beforeBrace: braced.yes ? ' ' : '',
		apart: apart.yes,
		media: nested.yes ? 'nested' : followed.yes ? 'beside' : 'end'
	};
}
