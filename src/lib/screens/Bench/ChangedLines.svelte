<script lang="ts">
	import type { Hunk } from '$lib/core/text/index.ts';

	interface Props {
		/** The lines of each file that an edit changes. */
		files: readonly { readonly path: string; readonly hunks: readonly Hunk[] }[];
	}

	let { files }: Props = $props();
</script>

{#each files as { path, hunks } (path)}
	{#each hunks as { line, before, after } (line)}
		<pre aria-label="{path}, line {line}"><span>{path.replace(/^.*\//, '')}:{line}</span
			>{#each before as one, i (i)}<del>{one}</del>{/each}{#each after as one, i (i)}<ins>{one}</ins
				>{/each}</pre>
	{/each}
{/each}

<style>
	pre {
		display: grid;
		margin: 2px 0 0;
		font: 0.8125rem/1.35 var(--mono);
		tab-size: 2;
	}

	span {
		color: var(--ink-2);
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
