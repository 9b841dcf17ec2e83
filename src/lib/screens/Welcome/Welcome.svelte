<script lang="ts">
	import { messageOf } from '$lib/core/text/index.ts';
	import { goto } from '$app/navigation';
	import { api } from '$lib/session/api.ts';
	import { bringIn, filesOfDrop, filesOfInput, type Picked } from '$lib/session/bring.ts';
	import Button from '$lib/ui/Button.svelte';
	import Drop from '$lib/ui/Drop.svelte';
	import Notice from '../shell/Notice.svelte';
	import picture from '../../../../docs/screenshots/bench.png';

	const FIRST = [
		['Drag the carriage,', 'the brass stop on the Measure at the top: the page follows at that width.'],
		[
			'Click an element',
			'in a frame: its box, and where each of its values comes from, are told below the sheet.'
		],
		['Type in the sheet:', 'every frame follows, and a line says what changed, and at which widths.'],
		['Press C', 'for the Collation: the selected element, a column for each band of widths.'],
		['Open Findings (Shift O):', 'what is wrong on the page, at exactly which widths.']
	] as const;

	let busy = $state(false);
	let failure = $state<string | null>(null);

	async function open(work: () => Promise<number>): Promise<void> {
		busy = true;
		failure = null;
		try {
			await goto(`/site/${await work()}/bench`);
		} catch (error) {
			failure = messageOf(error);
		} finally {
			busy = false;
		}
	}

	const bring = (files: Picked[] | Promise<Picked[]>): Promise<void> =>
		open(async () => bringIn(await files));
</script>

<main>
	<header>
		<h1>Vantaggio</h1>
		<p>
			Write a page’s stylesheet by hand and see it at every viewport width at once, with every threshold
			exact. For those who write media queries, fluid type, flex and grid themselves, for pages of their own
			or for pages whose markup they cannot change.
		</p>
	</header>
	<Notice />
	<Drop
		{busy}
		primary
		ondrop={(transfer) => bring(filesOfDrop(transfer))}
		onchoose={(input) => bring(filesOfInput(input))}
	>
		<h2>Open a page of yours</h2>
		<p>
			Drop a folder, a zip, an HTML file, or a page saved whole by a browser together with its folder. Files
			stay on this machine; nothing in them is run, and nothing is fetched from elsewhere.
		</p>
	</Drop>
	{#if failure}<p class="failure" role="alert">{failure}</p>{/if}
	<section>
		<h2>Or look round first</h2>
		<p>Ombry Ferries is a small made-up site with the troubles that stylesheets collect in two years.</p>
		<Button disabled={busy} onclick={() => open(async () => (await api.demo()).id)}>Open the demo</Button>
	</section>
	<section>
		<h2>Five things to do first</h2>
		<ol>
			{#each FIRST as [what, then] (what)}<li><b>{what}</b> {then}</li>{/each}
		</ol>
	</section>
	<img
		src={picture}
		width="640"
		height="400"
		alt="The Bench: the Measure above, four live frames, the sheet"
	/>
</main>

<style>
	main {
		display: grid;
		align-content: center;
		gap: 1.75rem;
		width: min(40rem, 100% - 3rem);
		min-height: 100%;
		margin: 0 auto;
		padding: 1.5rem 0;
	}

	h1 {
		font-size: 2.5rem;
	}

	h2 {
		font-size: 1.25rem;
	}

	header p {
		margin-top: 0.375rem;
		font-size: 1.0625rem;
	}

	p {
		max-width: 60ch;
		color: var(--ink-2);
	}

	section {
		display: grid;
		gap: 0.5rem;
		justify-items: start;
		padding: 0 1.5rem;
	}

	ol {
		display: grid;
		gap: 0.25rem;
		padding-left: 1.25rem;
		color: var(--ink-2);
		list-style: decimal;
	}

	ol b {
		color: var(--ink);
	}

	img {
		width: 100%;
		height: auto;
		border: 1px solid var(--hair);
	}

	.failure {
		padding: 0.625rem 0.875rem;
		border-left: 3px solid var(--rubric);
		background: var(--sheet);
		color: var(--rubric);
	}
</style>
