<script lang="ts">
	import { printRational } from '$lib/core/interval/index.ts';
	import type { MediaSite, Threshold } from '$lib/core/media/index.ts';

	interface Props {
		thresholds: readonly Threshold[];
		oncause: (cause: MediaSite) => void;
		placeOf: (cause: MediaSite) => string;
		/** To which side the card hangs, where there is no room for it in the middle. */
		shift: 'none' | 'left' | 'right';
	}

	let { thresholds, oncause, placeOf, shift }: Props = $props();
</script>

<div class="card {shift}">
	{#each thresholds as { cut, causes } (`${printRational(cut.at)}${cut.after}`)}
		<h2>
			{printRational(cut.at)}
			<small>{cut.after ? 'the width itself is still below' : 'the width itself is already above'}</small>
		</h2>
		<ul>
			{#each causes as cause (`${cause.file}:${cause.span.start}`)}
				<li>
					<button type="button" onclick={() => oncause(cause)}>
						<code>{cause.text}</code> <span>{placeOf(cause)}</span>
					</button>
				</li>
			{/each}
		</ul>
	{/each}
</div>

<style>
	.card {
		position: absolute;
		top: 100%;
		left: 50%;
		z-index: 20;
		width: max-content;
		max-width: 460px;
		max-height: 360px;
		padding: 10px 12px;
		translate: -50% 0;
		border: 1px solid var(--ink);
		background: var(--sheet);
		box-shadow: 0 6px 18px rgb(0 0 0 / 0.18);
		overflow: auto;
	}

	.card.right {
		left: 0;
		translate: 0 0;
	}

	.card.left {
		right: 0;
		left: auto;
		translate: 0 0;
	}

	h2 {
		font: 600 14px/1.3 var(--mono);
	}

	ul + h2 {
		margin-top: 8px;
	}

	small {
		color: var(--ink-2);
		font: 13px/1.3 var(--text);
	}

	li button {
		display: flex;
		gap: 12px;
		justify-content: space-between;
		width: 100%;
		min-height: 24px;
		padding: 2px 0;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}

	li button:hover {
		background: var(--tint);
	}

	code {
		font: 13px/1.4 var(--mono);
	}

	span {
		color: var(--blue);
		font: 13px/1.4 var(--mono);
		white-space: nowrap;
	}
</style>
