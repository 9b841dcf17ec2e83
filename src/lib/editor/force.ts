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
	contains,
	floor,
	intervals,
	rational,
	printIntervalSet,
	rationalFromNumber,
	toNumber,
	type Interval,
	type IntervalSet,
	type Rational
} from '../core/interval/index.ts';
import type { Force, ConditionNote } from '../core/site/index.ts';
import { hostOf } from './host.ts';

/** What is in force at which widths, and the position of the carriage. */
export interface InForce {
	/** The text that the rules and notes belong to; null until there is an answer. */
	readonly text: string | null;
	readonly rules: readonly Force[];
	/** The result of each `@media`, in words. */
	readonly said: readonly ConditionNote[];
	readonly width: number;
	readonly range: readonly [number, number];
}

/** Tells an editor what in its text is in force. */
export const setForce = StateEffect.define<InForce>();

interface End {
	/** Percent of the bar's length. */
	readonly at: number;
	readonly from: Rational;
}

/** The breakpoints at the ends of an interval; what ends at 699 or 699.98 ends at the breakpoint 700. */
const endsOf = ({ lo, hi, hiClosed }: Interval, place: (px: number) => number): End[] => {
	const upper = hi && (hiClosed ? rational(Number(floor(hi)) + 1) : hi);
	return [...(lo.n > 0n ? [lo] : []), ...(upper ? [upper] : [])].map((from) => ({
		at: place(toNumber(from)),
		from
	}));
};

/** The bar of one rule along the Measure: ranges in percent of its length, at the same scale. */
class Bar extends GutterMarker {
	constructor(
		readonly stretches: readonly (readonly [number, number])[],
		readonly carriage: number,
		readonly holds: boolean,
		readonly words: string,
		/** The ends that are thresholds: their positions, and the breakpoint of each. */
		readonly ends: readonly End[],
		readonly scale: readonly [number, number]
	) {
		super();
	}

	override eq(other: Bar): boolean {
		return other.words === this.words && other.carriage === this.carriage && other.holds === this.holds;
	}

	override toDOM(): HTMLElement {
		const bar = document.createElement('span');
		bar.className = this.holds ? 'cm-force' : 'cm-force cm-force-off';
		if (this.ends.length > 0) bar.classList.add('cm-force-ends');
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

/** The result of a condition, at the end of its line. */
class ConditionWidget extends WidgetType {
	constructor(readonly said: ConditionNote) {
		super();
	}

	override eq(other: ConditionWidget): boolean {
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
	const barOf = (widths: IntervalSet): Bar => {
		const stretches = intervals(widths).map(
			({ lo, hi }) => [place(toNumber(lo)), place(hi ? toNumber(hi) : Infinity)] as const
		);
		const ends = intervals(widths).flatMap((one) => endsOf(one, place));
		return new Bar(stretches, place(width), contains(widths, here), printIntervalSet(widths), ends, range);
	};
	/** Most rules are in force at the same widths as others. */
	const made = new Map<IntervalSet, Bar>();
	const bars = new Map<number, Range<GutterMarker>>();
	const pale = new Set<number>();
	for (const { span, widths } of rules) {
		if (span.end > doc.length) continue;
		const first = doc.lineAt(span.start);
		const bar = made.get(widths) ?? barOf(widths);
		made.set(widths, bar);
		if (!bars.has(first.from)) bars.set(first.from, bar.range(first.from));
		if (bar.holds) continue;
		const last = doc.lineAt(span.end).number;
		for (let n = first.number; n <= last; n++) pale.add(doc.line(n).from);
	}
	const words = said
		.filter(({ at }) => at <= doc.length)
		.map((one) =>
			Decoration.widget({ widget: new ConditionWidget(one), side: 1 }).range(doc.lineAt(one.at).to)
		);
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
	'.cm-force-ends': { cursor: 'ew-resize', touchAction: 'none' },
	'.cm-force-off i': { background: 'var(--pale)', opacity: '0.6' },
	'.cm-said': { marginLeft: '1.5em', color: 'var(--ink-2)', fontStyle: 'italic' },
	'.cm-said-never': { color: 'var(--rubric) !important' },
	'.cm-pale, .cm-pale span:not(.cm-note)': { color: 'var(--pale) !important' }
});

/** The visible lines at which rules begin, and whether they are in force at the carriage. */
export function rulesShown(state: EditorState): { from: number; holds: boolean }[] {
	const found: { from: number; holds: boolean }[] = [];
	state.field(field).bars.between(0, state.doc.length, (from, _, bar) => {
		if (bar instanceof Bar) found.push({ from, holds: bar.holds });
	});
	return found;
}

/** How near the pointer must be to grab an end, and how far it moves before a press becomes a drag, px. */
const [NEAR, SLACK] = [9, 3];
/** How much finer a drag with Shift is. */
const FINE = 8;

/** Grabs the end of a bar near the pointer, until the button is released; true where there is one. */
function take(view: EditorView, from: number, event: PointerEvent): boolean {
	const drawn = event.target instanceof Element ? event.target.closest('.cm-force') : null;
	let bar: Bar | undefined;
	view.state.field(field).bars.between(from, from, (_from, _to, value) => {
		if (value instanceof Bar) bar = value;
	});
	if (!drawn || !bar || event.button !== 0) return false;
	const { left, width } = drawn.getBoundingClientRect();
	const off = ({ at }: End): number => Math.abs((at / 100) * width + left - event.clientX);
	const [end] = bar.ends.toSorted((a, b) => off(a) - off(b));
	if (!end || off(end) > NEAR) return false;
	const [least, most] = bar.scale;
	const { site, path } = hostOf(view.state);
	const gone = new AbortController();
	const { signal } = gone;
	let moved = false;
	const move = ({ clientX, shiftKey }: PointerEvent): void => {
		const by = clientX - event.clientX;
		if (!moved && Math.abs(by) < SLACK) return;
		if (!moved) site.actions.takeEnd(path, from, end.from);
		moved = true;
		const part = by / width / (shiftKey ? FINE : 1);
		const px = toNumber(end.from) * (most / least) ** part;
		site.actions.putEnd(Math.round(Math.min(most, Math.max(least, px))));
	};
	addEventListener('pointermove', move, { signal });
	for (const type of ['pointerup', 'pointercancel']) addEventListener(type, () => gone.abort(), { signal });
	event.preventDefault();
	return true;
}

/**
 * Shows the result of each condition at its line, and in the gutter a bar along the Measure for each rule, where it
 * is in force; what is not in force at the carriage is pale.
 */
export const forceBars: Extension = [
	field,
	gutter({
		class: 'cm-forceGutter',
		markers: (view) => view.state.field(field).bars,
		domEventHandlers: { pointerdown: (view, line, event) => take(view, line.from, event as PointerEvent) }
	}),
	look
];
