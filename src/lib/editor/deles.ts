import { RangeSet, StateEffect, StateField, type Extension } from '@codemirror/state';
import { Decoration, EditorView, WidgetType } from '@codemirror/view';
import type { IneffectiveDeclaration } from '../inquiry/idle.ts';

/** Tells an editor which of its declarations have no effect. */
export const setIdle = StateEffect.define<readonly IneffectiveDeclaration[]>();

/** The proofreader's deletion mark, beside a declaration without effect. */
class Dele extends WidgetType {
	constructor(readonly idle: IneffectiveDeclaration) {
		super();
	}

	override eq({ idle }: Dele): boolean {
		return idle.reason === this.idle.reason && idle.count === this.idle.count;
	}

	toDOM(): HTMLElement {
		const { reason, instead, standard, count } = this.idle;
		const mark = document.createElement('span');
		mark.className = 'cm-dele';
		mark.title = `${reason}\nWhat would: ${instead}\n${standard}`;
		const sign = document.createElement('b');
		sign.textContent = '₰';
		mark.append(sign, count > 1 ? ` does nothing here, on all ${count}` : ' does nothing here');
		return mark;
	}
}

const field = StateField.define<RangeSet<Decoration>>({
	create: () => RangeSet.empty,
	update(marks, { changes, effects, newDoc }) {
		const change = effects.findLast((effect) => effect.is(setIdle));
		if (!change) return marks.map(changes);
		const idle = change.value as readonly IneffectiveDeclaration[];
		return Decoration.set(
			idle
				.filter(({ end }) => end <= newDoc.length)
				.map((one) => Decoration.widget({ widget: new Dele(one), side: 1 }).range(newDoc.lineAt(one.end).to)),
			true
		);
	},
	provide: (self) => EditorView.decorations.from(self)
});

/** Marks the declarations without effect in the lead. */
export const deles: Extension = [
	field,
	EditorView.baseTheme({
		'.cm-dele': {
			marginLeft: '1em',
			color: 'var(--ink-2)',
			fontFamily: 'var(--text)',
			cursor: 'help'
		},
		'.cm-dele b': { color: 'var(--rubric)', fontSize: '1.15em', lineHeight: '1' }
	})
];
