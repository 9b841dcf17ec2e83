<script lang="ts">
	import { goto } from '$app/navigation';
	import { api } from '$lib/state/api.ts';
	import { bringIn, filesOfDrop, filesOfInput, type Picked } from '$lib/state/bring.ts';
	import Button from '$lib/ui/Button.svelte';
	import Drop from '$lib/ui/Drop.svelte';

	let busy = $state(false);
	let failure = $state<string | null>(null);

	async function open(work: () => Promise<number>): Promise<void> {
		busy = true;
		failure = null;
		try {
			await goto(`/site/${await work()}/bench`);
		} catch (error) {
			failure = error instanceof Error ? error.message : String(error);
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
			exact.
		</p>
	</header>
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
</main>

<style>
	main {
		display: grid;
		align-content: center;
		gap: 28px;
		width: min(640px, 100% - 48px);
		min-height: 100%;
		margin: 0 auto;
		padding: 24px 0;
	}

	h1 {
		font-size: 40px;
	}

	h2 {
		font-size: 20px;
	}

	header p {
		margin-top: 6px;
		font-size: 17px;
	}

	p {
		max-width: 60ch;
		color: var(--ink-2);
	}

	section {
		display: grid;
		gap: 8px;
		justify-items: start;
		padding: 0 24px;
	}

	.failure {
		padding: 10px 14px;
		border-left: 3px solid var(--rubric);
		background: var(--sheet);
		color: var(--rubric);
	}
</style>
