<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { FileLines } from '$lib/session/desk.ts';
	import { inFileInWords, shownAt } from '$lib/session/placeInWords.ts';

	interface Props {
		/** The lines of each file that an edit changes. */
		files: readonly FileLines[];
		/** The height above which the list scrolls, rem. */
		most: number;
	}

	let { files, most }: Props = $props();
	const site = getSite();
</script>

{#if files.length > 0}
	<!-- svelte-ignore a11y_no_noninteractive_tabindex (what scrolls is reached by keys) -->
	<div role="group" tabindex="0" aria-label="Lines that change" style:max-height="{most}rem">
		{#each files as { path, hunks } (path)}
			{#each hunks as { line, before, after } (line)}
				<pre aria-label="{path}, line {line}"><span
						>{path.replace(/^.*\//, '')}:{line}{inFileInWords(shownAt(site, path, { line, column: 1 }))}</span
					>{#each before as one, i (i)}<del>{one}</del>{/each}{#each after as one, i (i)}<ins>{one}</ins
						>{/each}</pre>
			{/each}
		{/each}
	</div>
{/if}

<style>
	div {
		margin: 0.25rem 0;
		overflow: auto;
	}

	pre {
		display: grid;
		margin: 2px 0 0;
		font: 0.8125rem/1.35 var(--mono);
		tab-size: 2;
		white-space: pre-wrap;
		overflow-wrap: anywhere;
	}

	span {
		color: var(--ink-2);
	}

	del,
	ins {
		padding-left: 2ch;
		text-indent: -2ch;
	}

	del {
		color: var(--rubric);
		text-decoration: none;
	}

	del::before {
		content: '− ';
	}

	ins {
		color: var(--verdigris);
		text-decoration: none;
	}

	ins::before {
		content: '+ ';
	}
</style>
