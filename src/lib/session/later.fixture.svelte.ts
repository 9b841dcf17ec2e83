import { flushSync } from 'svelte';
import { later } from './later.svelte.ts';

interface Answer {
	readonly resolve: (answer: string) => void;
	readonly reject: (error: Error) => void;
}

interface Question {
	readonly about: string;
	readonly turn: number;
}

/** Asks outside of a component; `answers` has pending answers by their questions. */
export function asked(again?: (question: Question) => string) {
	let question = $state.raw<Question>();
	const answers = new Map<string, Answer>();
	let of: ReturnType<typeof later<Question, string>> | undefined;
	const end = $effect.root(() => {
		of = later({
			question: () => question,
			about: ({ about }) => about,
			...(again ? { again } : {}),
			ask: ({ about, turn }) =>
				new Promise((resolve, reject) => answers.set(`${about} ${turn}`, { resolve, reject }))
		});
	});
	if (!of) throw new Error('Effects are not run here.');
	return {
		later: of,
		answers,
		end,
		put(about: string | undefined, turn: number): void {
			question = about === undefined ? undefined : { about, turn };
			flushSync();
		}
	};
}
