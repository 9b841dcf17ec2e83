import { flushSync } from 'svelte';
import { later } from './later.svelte.ts';

interface Answer {
	readonly resolve: (answer: string) => void;
	readonly reject: (error: Error) => void;
}

/** Something that is asked outside of a component; `answers` has those that are to come, by what was asked. */
export function asked() {
	let question = $state.raw<{ readonly about: string; readonly turn: number }>();
	const answers = new Map<string, Answer>();
	let of: ReturnType<typeof later<{ about: string; turn: number }, string>> | undefined;
	const end = $effect.root(() => {
		of = later({
			question: () => question,
			about: ({ about }) => about,
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
