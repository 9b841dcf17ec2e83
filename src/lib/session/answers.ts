import type { Steps } from '../core/steps/index.ts';
import type { Rational } from '../core/interval/index.ts';
import { NO_NAMES, type PageNames, type UsedValue } from '../core/site/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import type { HitCounts, Hitting } from '../inquiry/hits.ts';

/** What can be asked of a site's pages while one of them is in the frames. */
export interface PageAnswers extends Hitting {
	/** How many elements of pages, each given by its text, selectors match. */
	textHits(texts: readonly string[], selectors: readonly string[]): Promise<readonly HitCounts[]>;
	/** Outlines in all frames what a selector matches; '' for nothing. */
	outline(selector: string): void;
	/** The names on the page in the frames and in its sheets. */
	pageNames(): Promise<PageNames>;
	/** The values that the site uses for a property, the most frequent first. */
	usedValues(property: string): Promise<readonly UsedValue[]>;
	/** The vantages for which lengths are converted. */
	vantages(): readonly Vantage[];
	/** Shows where the page's sheets define a custom property; false where they do not. */
	showDefinition(name: string): boolean;
}

/** The answers while no page is in any frame. */
export const NO_ANSWERS: PageAnswers = {
	hits: () => Promise.resolve([]),
	isOnPage: () => false,
	otherHits: () => Promise.resolve(new Map()),
	names: () => ({ classes: [], ids: [] }),
	textHits: () => Promise.resolve([]),
	outline: () => undefined,
	pageNames: () => Promise.resolve(NO_NAMES),
	usedValues: () => Promise.resolve([]),
	vantages: () => [],
	showDefinition: () => false
};

/** What a screen does with what is asked for in the sheet's editor. */
export interface SheetActions {
	/** Grabs the end of a bar: of the rule or block at an offset of a file, at a breakpoint. */
	takeEnd(path: string, offset: number, from: Rational): void;
	/** Drags it to a width, CSS px. */
	putEnd(px: number): void;
	/** Proposes to move the rule at the caret so many places down (up: under 0); false where that is impossible. */
	moveRule(by: number): boolean;
	/** Mutes what the caret is in, or unmutes it; false where that is impossible. */
	toggleMute(): boolean;
	/** Inserts a property at the caret, with its value still to be typed. */
	insert(property: string): void;
	/** Shows a sentence beside the sheet. */
	say(sentence: string): void;
	/** Computes in steps what frames will get for another text of a file. */
	frameAhead(path: string, text: string): Steps<void>;
}

/** What is done while no sheet is shown. */
export const NO_ACTIONS: SheetActions = {
	takeEnd: () => undefined,
	putEnd: () => undefined,
	moveRule: () => false,
	toggleMute: () => false,
	insert: () => undefined,
	say: () => undefined,
	frameAhead: function* () {}
};
