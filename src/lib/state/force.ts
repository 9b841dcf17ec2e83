import {
	RangeSet,
	StateEffect,
	StateField,
	type EditorState,
	type Extension,
	type Range,
	type Text
} from '@codemirror/state';
import { Decoration, EditorView, gutter, GutterMarker, WidgetType } from '@codemirror/view';
import {
	intervals,
	printIntervalSet,
	rationalFromNumber,
	contains,
	toNumber
} from '../core/interval/index.ts';
import type { Force, Said } from '../core/site/index.ts';

/** What is in force at which widths, and where the carriage stands. */
export interface InForce {
	readonly rules: readonly Force[];
	/** What each `@media` comes to, in words. */
	readonly said: readonly Said[];
	readonly width: number;
	readonly range: readonly [number, number];
}

/** Tells an editor what of its text is in force. */
export const setForce = StateEffect.define<InForce>();

/** The bar of one rule over the Measure: stretches in percent of its length, drawn at the same scale. */
class Bar extends GutterMarker {
	constructor(
		readonly stretches: readonly (readonly [number, number])[],
		readonly carriage: number,
		readonly holds: boolean,
		readonly words: string
	) {
		super();
	}

	override eq(other: Bar): boolean {
		return other.words === this.words && other.carriage === this.carriage && other.holds === this.holds;
	}

	override toDOM(): HTMLElement {
		const bar = document.createElement('span');
		bar.className = this.holds ? 'cm-force' : 'cm-force cm-force-off';
		bar.title = `in force: ${this.words}`;
		for (const [from, to] of this.stretches) {
			const stretch = document.createElement('i');
			stretch.style.left = `${from}%`;
			stretch.style.width = `${Math.max(1.5, to - from)}%`;
			bar.append(stretch);
		}
		const carriage = document.createElement('b');
		carriage.style.left = `${this.carriage}%`;
		bar.append(carriage);
		return bar;
	}
}

/** What a condition comes to, at the end of its line. */
class Words extends WidgetType {
	constructor(readonly said: Said) {
		super();
	}

	override eq(other: Words): boolean {
		return other.said.words === this.said.words;
	}

	toDOM(): HTMLElement {
		const words = document.createElement('span');
		words.className = this.said.never ? 'cm-said cm-said-never' : 'cm-said';
		words.textContent = this.said.words;
		return words;
	}
}

interface Drawn {
	readonly bars: RangeSet<GutterMarker>;
	readonly pale: RangeSet<Decoration>;
	readonly words: RangeSet<Decoration>;
}

const EMPTY: Drawn = { bars: RangeSet.empty, pale: RangeSet.empty, words: RangeSet.empty };
const PALE = Decoration.line({ class: 'cm-pale' });

function draw(doc: Text, { rules, said, width, range }: InForce): Drawn {
	const place = (at: number): number =>
		(100 * Math.log(Math.min(range[1], Math.max(range[0], at)) / range[0])) / Math.log(range[1] / range[0]);
	const here = rationalFromNumber(width);
	const bars = new Map<number, Range<GutterMarker>>();
	const pale = new Set<number>();
	for (const { span, widths } of rules) {
		if (span.end > doc.length) continue;
		const first = doc.lineAt(span.start);
		const holds = contains(widths, here);
		const stretches = intervals(widths).map(
			({ lo, hi }) => [place(toNumber(lo)), place(hi ? toNumber(hi) : Infinity)] as const
		);
		const bar = new Bar(stretches, place(width), holds, printIntervalSet(widths));
		if (!bars.has(first.from)) bars.set(first.from, bar.range(first.from));
		if (holds) continue;
		const last = doc.lineAt(span.end).number;
		for (let n = first.number; n <= last; n++) pale.add(doc.line(n).from);
	}
	const words = said
		.filter(({ at }) => at <= doc.length)
		.map((one) => Decoration.widget({ widget: new Words(one), side: 1 }).range(doc.lineAt(one.at).to));
	return {
		words: Decoration.set(words, true),
		bars: RangeSet.of([...bars.values()], true),
		pale: Decoration.set(
			[...pale].map((from) => PALE.range(from)),
			true
		)
	};
}

const field = StateField.define<Drawn>({
	create: () => EMPTY,
	update(drawn, transaction) {
		const effect = transaction.effects.findLast((one) => one.is(setForce));
		if (effect) return draw(transaction.state.doc, effect.value);
		if (!transaction.docChanged) return drawn;
		const { bars, pale, words } = drawn;
		const { changes } = transaction;
		return { bars: bars.map(changes), pale: pale.map(changes), words: words.map(changes) };
	},
	provide: (self) => [
		EditorView.decorations.from(self, ({ pale }) => pale),
		EditorView.decorations.from(self, ({ words }) => words)
	]
});

const look = EditorView.baseTheme({
	'.cm-forceGutter': { width: '58px' },
	'.cm-force': {
		position: 'relative',
		display: 'block',
		width: '50px',
		height: '1.45em',
		background: 'linear-gradient(var(--hair), var(--hair)) 0 50% / 100% 1px no-repeat'
	},
	'.cm-force i': { position: 'absolute', top: 'calc(50% - 2.5px)', height: '5px', background: 'var(--blue)' },
	'.cm-force b': {
		position: 'absolute',
		top: 'calc(50% - 4.5px)',
		width: '1.5px',
		height: '9px',
		background: 'var(--brass-line)'
	},
	'.cm-force-off i': { background: 'var(--pale)', opacity: '0.6' },
	'.cm-said': { marginLeft: '1.5em', color: 'var(--ink-2)', fontStyle: 'italic' },
	'.cm-said-never': { color: 'var(--rubric) !important' },
	'.cm-pale, .cm-pale span:not(.cm-note)': { color: 'var(--pale) !important' }
});

/** The lines at which rules begin, with whether they are in force at the carriage, as they are shown. */
export function rulesShown(state: EditorState): { from: number; holds: boolean }[] {
	const found: { from: number; holds: boolean }[] = [];
	state.field(field).bars.between(0, state.doc.length, (from, _, bar) => {
		if (bar instanceof Bar) found.push({ from, holds: bar.holds });
	});
	return found;
}

/** At a condition's line what it comes to; in the gutter a bar for each rule over the Measure, where it is in force; what is not at the carriage is pale. */
export const forceBars: Extension = [
	field,
	gutter({ class: 'cm-forceGutter', markers: (view) => view.state.field(field).bars }),
	look
];
