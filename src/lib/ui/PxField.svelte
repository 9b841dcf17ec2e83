<script lang="ts">
	interface Props {
		/** CSS px. */
		value: number;
		label: string;
		title?: string;
		/** Called with a number that was typed, on leaving the field or pressing Enter. */
		onvalue: (value: number) => void;
	}

	let { value, label, title, onvalue }: Props = $props();

	let typed = $state<string | null>(null);

	function settle(): void {
		const to = Number(typed?.replace(/px$/i, '').trim());
		if (typed !== null && typed.trim() !== '' && Number.isFinite(to)) onvalue(to);
		typed = null;
	}
</script>

<input
	aria-label={label}
	{title}
	inputmode="numeric"
	value={typed ?? value}
	style:width="{Math.max(3, String(typed ?? value).length) + 1}ch"
	onfocus={(event) => event.currentTarget.select()}
	oninput={(event) => (typed = event.currentTarget.value)}
	onblur={settle}
	onkeydown={(event) => {
		if (event.key === 'Enter') settle();
		if (event.key === 'Escape') typed = null;
		if (event.key === 'Enter' || event.key === 'Escape') event.currentTarget.blur();
	}}
/>

<style>
	input {
		height: 1.5rem;
		padding: 0 2px 0 0.25rem;
		border: 0;
		background: none;
		font: inherit;
		text-align: right;
	}

	input:focus {
		background: var(--pick);
	}
</style>
