import type { Candidate, Outcome } from '$lib/core/cascade/index.ts';
import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Trace } from '$lib/inquiry/trace.ts';
import { lineOf, placeName } from '$lib/features/frames/placeName.ts';

/** How what a trace finds is called on the screen. */
export function traceWords(page: PageState, trace: Trace) {
	const called = (up: number): string => {
		const around = elementAt(page.page, trace.ancestor(up));
		return around ? nameOfElement(around) : 'what is around it';
	};
	return {
		lineOf: (one: Candidate): number => lineOf(page, one),
		placeOf: (one: Candidate): string => placeName(page, one),
		called,
		/** Whose a declaration is. */
		owner: ({ hit, attribute }: Candidate): string =>
			hit ? `of ${hit.selector}` : attribute ? `of the attribute ${attribute}` : 'of the style attribute',
		/** Where a value comes from that is not the element's own declaration. */
		source(outcome: Outcome): string {
			switch (outcome.kind) {
				case 'own':
					return '';
				case 'initial':
					return 'the initial value, by its own word';
				case 'inherited':
					return `inherited from ${called(outcome.up)}`;
				case 'browser':
					return outcome.up > 0
						? `inherited from ${called(outcome.up)}, where the browser’s own sheet has it`
						: 'the browser’s own sheet, or the initial value';
			}
		}
	};
}

/** What is asked about an element, or a pseudo-element of it; '' for none. */
export interface TraceQuestion {
	readonly path: ElementPath;
	readonly pseudo: string;
	/** What the answer depends on besides. */
	readonly of: unknown;
}
