<script lang="ts">
	interface Props {
		/** What went wrong, as a sentence; nothing is shown for ''. */
		sentence: string;
	}

	let { sentence }: Props = $props();
</script>

{#if sentence !== ''}<p role="alert">{sentence}</p>{/if}

<style>
	p {
		margin: 0;
		padding: 0.25rem 0.5rem;
		color: var(--rubric);
		font-size: 0.8125rem;
	}
</style>
