import type { Candidate, Outcome } from '$lib/core/cascade/index.ts';
import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
import type { PageState } from '$lib/session/page.svelte.ts';
import type { Trace } from '$lib/inquiry/trace.ts';
import { lineOf, placeName } from '$lib/features/frames/placeName.ts';

/** How the results of a trace are named on the screen. */
export function traceWords(page: PageState, trace: Trace) {
	const called = (up: number): string => {
		const around = elementAt(page.page, trace.ancestor(up));
		return around ? nameOfElement(around) : 'what is around it';
	};
	return {
		lineOf: (one: Candidate): number => lineOf(page, one),
		placeOf: (one: Candidate): string => placeName(page, one),
		called,
		/** The owner of a declaration. */
		owner: ({ hit, attribute }: Candidate): string =>
			hit ? `of ${hit.selector}` : attribute ? `of the attribute ${attribute}` : 'of the style attribute',
		/** The origin of a value that is not from the element's own declaration. */
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

/** A question about an element, or a pseudo-element of it; '' for none. */
export interface TraceQuestion {
	readonly path: ElementPath;
	readonly pseudo: string;
	/** What else the answer depends on. */
	readonly of: unknown;
}
