import { untrack } from 'svelte';
import { messageOf } from '../core/text/index.ts';

/** The answer to a question, which comes some time after it. */
export interface Later<A> {
	/** The answer; undefined until it has come, or where there is none. */
	readonly value: A | undefined;
	/** Why there is none, as a sentence; otherwise ''. */
	readonly error: string;
	/** Whether a later answer is on its way. */
	readonly isBusy: boolean;
}

interface Asking<Q, A> {
	/**
	 * The question; undefined where nothing is asked. It is asked again when state changes that it, or `ask`
	 * synchronously, has read.
	 */
	readonly question: () => Q | undefined;
	/** What the answer is about, as a text. The last answer about the same thing remains until the next one comes. */
	readonly about: (question: Q) => string;
	/** Where given, a new question is only asked if this text of it has changed. */
	readonly again?: (question: Q) => string;
	/** Asks; partial answers may be reported before the whole. */
	readonly ask: (question: Q, signal: AbortSignal, report: (answer: A) => void) => Promise<A>;
	/** The pause in changes before the question is asked, ms; none where omitted. */
	readonly rest?: number;
}

/**
 * Asks a question whenever it changes, and gives the answer to the present one: never one that was about something
 * else, or to a question that has been asked again since. To be called during component initialisation.
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
