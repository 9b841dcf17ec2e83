<script lang="ts">
	import type { ElementPath } from '$lib/core/html/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		path: ElementPath;
		/** The lead's width, CSS px. */
		width: number;
		trace: (path: ElementPath) => Promise<Trace | null>;
	}

	let { page, path, width, trace }: Props = $props();

	const OF_BOX =
		/^(margin|padding|border)-|^(min-|max-)?(width|height)$|^(top|right|bottom|left|flex-basis|row-gap|column-gap)$/;

	const asked = later({
		question: () => ({ path, at: width, of: page.conditions }),
		about: (question) => question.path.join(),
		ask: async (question) => {
			const found = await trace(question.path);
			return (found?.properties ?? [])
				.filter((property) => OF_BOX.test(property))
				.flatMap((property) => {
					const outcome = found?.at(property, question.at);
					const value = outcome?.kind === 'own' ? outcome.own.winner?.value : undefined;
					return (value ? (found?.shares(property, value) ?? []) : []).map((share) => ({ property, share }));
				});
		}
	});
	const lines = $derived(asked.value ?? []);
	/** Properties with the same percentage share a line. */
	const said = $derived(
		[...new Set(lines.map(({ share }) => share))].map((share) => ({
			share,
			of: lines.filter((one) => one.share === share).map(({ property }) => property)
		}))
	);
</script>

<Trouble sentence={asked.error} />
{#if said.length > 0}
	<dl>
		{#each said as { share, of }, i (i)}
			<dt>{of.join(', ')}</dt>
			<dd>{share}</dd>
		{/each}
	</dl>
{/if}

<style>
	dl {
		display: grid;
		grid-template-columns: minmax(8rem, max-content) minmax(0, 1fr);
		gap: 0.125rem 0.75rem;
		margin: 0.5rem 0 0;
		font-size: 0.8125rem;
	}

	dt {
		max-width: 12rem;
		font-family: var(--mono);
	}

	dd {
		margin: 0;
		color: var(--ink-2);
	}
</style>
