import type { Page } from '../fixtures.ts';

/** Runs in every page of the application and of its stages: tells of each thing that a person does. */
function tellActions(): void {
	const act = (): void => (window as unknown as { personActed(): void }).personActed();
	/** The field or text that is being filled: however much is typed there, that is one thing. */
	let filled: EventTarget | null = null;
	const isField = (target: EventTarget | null): boolean =>
		target instanceof HTMLElement &&
		(target.isContentEditable ||
			target instanceof HTMLTextAreaElement ||
			target instanceof HTMLSelectElement ||
			(target instanceof HTMLInputElement && !/^(checkbox|radio|button|submit|file)$/.test(target.type)));
	addEventListener(
		'pointerdown',
		({ isTrusted }) => {
			if (!isTrusted) return;
			filled = null;
			act();
		},
		true
	);
	addEventListener(
		'keydown',
		({ isTrusted, repeat, key, ctrlKey, altKey, metaKey, target }) => {
			if (!isTrusted || repeat || /^(Shift|Control|Alt|Meta)$/.test(key)) return;
			if (key.length === 1 && !ctrlKey && !altKey && !metaKey && isField(target)) return;
			filled = null;
			act();
		},
		true
	);
	addEventListener(
		'input',
		({ target, isTrusted }) => {
			// A choice is made by the driver in the person's place.
			if (!isField(target) || (!isTrusted && !(target instanceof HTMLSelectElement))) return;
			if (filled !== target) act();
			filled = target;
		},
		true
	);
}

/** What was done on a page, counted. */
export interface Actions {
	/** How many there were since it was begun. */
	count(): Promise<number>;
	begin(): void;
	/** Does what is no part of the job but a look at what came of it: nothing of it counts. */
	aside<X>(work: () => Promise<X>): Promise<X>;
}

const counted = new WeakMap<Page, Promise<Actions>>();

async function countOn(page: Page): Promise<Actions> {
	let actions = 0;
	await page.exposeFunction('personActed', () => void actions++);
	await page.addInitScript(tellActions);
	async function count(): Promise<number> {
		// What the page has told comes before its next answer.
		await page.evaluate(() => 0);
		return actions;
	}
	return {
		async count() {
			const found = await count();
			if (found === 0) throw new Error('No action was counted.');
			return found;
		},
		begin: () => (actions = 0),
		async aside(work) {
			const before = await count();
			const done = await work();
			await count();
			actions = before;
			return done;
		}
	};
}

/**
 * Counts what a person does on a page from its events: a press of the pointer (a drag is one), a key that is no letter of
 * a word being typed, a field that is filled or chosen in. Holds from the next page that is opened on.
 */
export function actionsOn(page: Page): Promise<Actions> {
	let found = counted.get(page);
	if (!found) counted.set(page, (found = countOn(page)));
	return found;
}
