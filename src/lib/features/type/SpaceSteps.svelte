<script lang="ts">
	import type { Scale } from '$lib/core/scale/index.ts';
	import NumberField from './NumberField.svelte';
	import type { Typesetting } from './typesetting.svelte.ts';

	interface Props {
		setting: Typesetting;
	}

	let { setting }: Props = $props();
	const { spaces } = $derived(setting.scale);

	/** A line of body text, as a multiple of its size. */
	const LINE = 1.5;
	const put = (next: Scale['spaces']): void => setting.put({ spaces: next });
	const change = (i: number, to: Partial<Scale['spaces'][number]>): void =>
		put(spaces.map((one, at) => (at === i ? { ...one, ...to } : one)));

	/** A name that no space has yet. */
	function freshName(): string {
		const taken = new Set(spaces.map(({ name }) => name));
		for (let n = spaces.length + 1; ; n++) if (!taken.has(`space-${n}`)) return `space-${n}`;
	}
</script>

<div class="spaces" role="group" aria-label="Spaces">
	<span>spaces, in lines of body text (1 line is {LINE} × its size)</span>
	{#each spaces as { name, times }, i (i)}
		<span class="one">
			<input
				aria-label="Name of space {i + 1}"
				value={name}
				onchange={({ currentTarget }) => {
					const typed = currentTarget.value.trim().replace(/\s+/g, '-');
					if (typed === '') currentTarget.value = name;
					else change(i, { name: typed });
				}}
			/>
			<NumberField
				label="{name}, lines of body text"
				value={String(Number((times / LINE).toFixed(3)))}
				step={0.25}
				size={4}
				onput={(text) => Number(text) > 0 && change(i, { times: Number((Number(text) * LINE).toFixed(4)) })}
			/>
			<button
				type="button"
				aria-label="Remove the space {name}"
				onclick={() => put(spaces.filter((_, at) => at !== i))}>×</button
			>
		</span>
	{/each}
	<button type="button" onclick={() => put([...spaces, { name: freshName(), times: LINE }])}
		>Add a space</button
	>
</div>

<style>
	.spaces {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.25rem 0.75rem;
		color: var(--ink-2);
	}

	.one {
		display: flex;
		align-items: center;
		gap: 0.25rem;
	}

	.one input {
		width: 6rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 1px solid var(--hair);
		background: none;
		color: var(--ink);
		font: 0.8125rem/1 var(--mono);
	}

	button {
		min-width: 1.5rem;
		min-height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		color: var(--blue);
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}
</style>
