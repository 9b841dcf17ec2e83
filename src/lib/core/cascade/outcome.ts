import type { PageCascade } from './sheets.ts';
import { isInherited } from './inherited.ts';
import type { Candidate, Case } from './case.ts';
import { verdictOf, type Verdict } from './verdict.ts';

/** Where a property's value comes from in the end. */
export type Outcome = {
	/** The verdict on the element itself. */
	readonly own: Verdict;
} & (
	| { readonly kind: 'own' }
	/** From an ancestor, so many generations up; `explicit` where the element's own declaration asks for it. */
	| { readonly kind: 'inherited'; readonly up: number; readonly from: Verdict; readonly explicit: boolean }
	/** The property's initial value, by the element's own declaration. */
	| { readonly kind: 'initial' }
	/** No declaration of the page: the browser's own sheet, or else the initial value. */
	| { readonly kind: 'browser'; readonly up: number }
);

/** What a declaration's CSS-wide keyword leads to (CSS Cascade 5 §7.3); undefined for any other value. */
function ledTo({ winner }: Verdict, inherited: boolean): 'parent' | 'initial' | 'nothing' | undefined {
	if (!winner) return 'nothing';
	const keyword = winner.value.trim().toLowerCase();
	if (keyword === 'inherit') return 'parent';
	if (keyword === 'initial') return 'initial';
	if (keyword === 'unset') return inherited ? 'parent' : 'initial';
	return undefined;
}

/**
 * Follows a property from an element up to the declaration that its value comes from. `cases` are those of the
 * element and of its ancestors; `sameAsParent` says whether the element so many generations up has its parent's
 * computed value, since a browser's own sheet may intervene.
 */
export function outcomeOf(
	property: string,
	cases: readonly Case[],
	sameAsParent: (up: number) => boolean,
	registered: PageCascade['registered'] = new Map()
): Outcome | undefined {
	const [first] = cases;
	if (!first) return undefined;
	const inherited = isInherited(property, registered);
	const own = verdictOf(property, first);
	let explicit = false;
	for (const [up, of] of cases.entries()) {
		const verdict = up === 0 ? own : verdictOf(property, of);
		const led = ledTo(verdict, inherited);
		if (led === undefined) {
			return up === 0 ? { own, kind: 'own' } : { own, kind: 'inherited', up, from: verdict, explicit };
		}
		if (led === 'initial') {
			return up === 0 ? { own, kind: 'initial' } : { own, kind: 'inherited', up, from: verdict, explicit };
		}
		if (led === 'nothing' && !(inherited && up + 1 < cases.length && sameAsParent(up))) {
			return { own, kind: 'browser', up };
		}
		if (up === 0) explicit = led === 'parent';
	}
	return { own, kind: 'browser', up: cases.length - 1 };
}

/** The declaration that a value comes from, on the element or on an ancestor. */
export const decider = (outcome: Outcome): Candidate | undefined =>
	outcome.kind === 'inherited' ? outcome.from.winner : outcome.own.winner;
