import { untrack } from 'svelte';
import { messageOf } from '../core/text/index.ts';

/** The answer to a question, which comes later than the question. */
export interface Later<A> {
	/** The answer; undefined until it has come, or where there is none. */
	readonly value: A | undefined;
	/** Why there is none, as a sentence; '' else. */
	readonly error: string;
	/** Whether a later answer is on its way. */
	readonly isBusy: boolean;
}

interface Asking<Q, A> {
	/** The question; undefined where nothing is asked. What it reads, and what `ask` reads at once, has it asked again. */
	readonly question: () => Q | undefined;
	/** What the answer is about, as a text. The last answer about the same thing stays until the next one comes. */
	readonly about: (question: Q) => string;
	/** Where this is given, a new question is asked only if this text of it has changed. */
	readonly again?: (question: Q) => string;
	/** Asks; each part of an answer that is known before the whole may be reported. */
	readonly ask: (question: Q, signal: AbortSignal, report: (answer: A) => void) => Promise<A>;
	/** How long everything rests before it is asked, ms; at once without. */
	readonly rest?: number;
}

/**
 * Asks a question whenever it changes, and gives the answer to the present one: never one that was about something else,
 * or to a question that was asked again meanwhile. To be made while a component is set up.
 */
export function later<Q, A>({ question, about, again, ask, rest }: Asking<Q, A>): Later<A> {
	let last = $state.raw<{ readonly about: string; readonly value: A | undefined; readonly error: string }>();
	let isBusy = $state(false);
	const present = $derived(question());
	const now = $derived(present === undefined ? undefined : about(present));
	const current = $derived(last?.about === now ? last : undefined);
	const turn = $derived(present === undefined || !again ? present : again(present));

	$effect(() => {
		void turn;
		const asked = untrack(() => present);
		if (asked === undefined) return;
		const of = about(asked);
		const gone = new AbortController();
		const { signal } = gone;
		const put = (value: A | undefined, error = ''): void => {
			if (!signal.aborted) last = { about: of, value, error };
		};
		const begin = async (): Promise<void> => {
			isBusy = true;
			try {
				put(await ask(asked, signal, put));
			} catch (error) {
				put(undefined, messageOf(error));
			} finally {
				if (!signal.aborted) isBusy = false;
			}
		};
		const timer = rest === undefined ? undefined : setTimeout(() => void begin(), rest);
		if (rest === undefined) void begin();
		return () => {
			clearTimeout(timer);
			gone.abort();
			isBusy = false;
		};
	});

	return {
		get value() {
			return current?.value;
		},
		get error() {
			return current?.error ?? '';
		},
		get isBusy() {
			return isBusy;
		}
	};
}
