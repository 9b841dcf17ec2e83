<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { judging } from './judging.ts';

	interface Props {
		label: string;
		value: string;
		/** What is wrong with it, if anything. */
		problem?: string | undefined;
		/** The step of the arrow keys; 0 for none. */
		step?: number;
		/** Its width, characters. */
		size?: number;
		/** Whether it also accepts words and ratios. */
		words?: boolean;
		onput: (text: string) => void;
	}

	let { label, value, problem, step = 1, size = 5, words = false, onput }: Props = $props();
	const site = getSite();
	const id = $props.id();

	/** The invalid text that was typed. */
	let strange = $state('');
	const why = $derived(strange === '' ? problem : `“${strange}” is no number.`);

	function put(text: string): void {
		const isNumber = text.trim() !== '' && Number.isFinite(Number(text));
		strange = isNumber || words ? '' : text.trim() || ' ';
		// The displayed text is not news: it may be rounded.
		if (strange === '' && text.trim() !== value) onput(text);
	}

	function pressed(event: KeyboardEvent & { currentTarget: HTMLInputElement }): void {
		if (judging(site, event)) return;
		const input = event.currentTarget;
		if (event.key === 'Enter') return put(input.value);
		const by = { ArrowUp: 1, ArrowDown: -1 }[event.key];
		const number = Number(input.value);
		if (by === undefined || step === 0 || !Number.isFinite(number)) return;
		event.preventDefault();
		input.value = String(Number((number + by * step * (event.shiftKey ? 10 : 1)).toFixed(4)));
		put(input.value);
	}
</script>

<input
	{value}
	style:width="{size + 1.5}ch"
	aria-label={label}
	aria-invalid={why !== undefined}
	aria-describedby={why === undefined ? undefined : `${id}-why`}
	title={why ?? label}
	onkeydown={pressed}
	onchange={(event) => put(event.currentTarget.value)}
/>{#if why !== undefined}<span id="{id}-why" class="why">‸ {why}</span>{/if}

<style>
	input {
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 1.5px solid var(--ink);
		background: none;
		color: var(--ink);
		font: 700 0.8125rem/1 var(--mono);
	}

	input[aria-invalid='true'] {
		border-color: var(--rubric);
		color: var(--rubric);
	}

	.why {
		color: var(--rubric);
	}
</style>
