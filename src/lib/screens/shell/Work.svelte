<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { insist } from '$lib/session/insist.ts';
	import { meantGap } from '$lib/core/findings/settings.ts';
	import type { Workbench } from '$lib/session/workbench.ts';
	import { untrack } from 'svelte';
	import { marked } from '$lib/features/frames/framing.svelte.ts';
	import { FramesView } from '$lib/features/frames/view.svelte.ts';
	import type { Screen } from '$lib/screens/index.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import Measure from '$lib/ui/measure/Measure.svelte';
	import { turns } from '$lib/ui/turns.svelte.ts';

	interface Props {
		workbench: Workbench;
		screen: Screen;
	}

	let { workbench, screen }: Props = $props();
	const { carriage } = getSite();
	const { site, page } = $derived(workbench);

	/** It remains when screens change. */
	const view = untrack(() => new FramesView(workbench));
	const { onMeasure } = $derived(view);
	/** First the bands, then the Measure, then the screen. */
	const turn = turns(2, () => view.bands);

	// Before the screen with the stages is destroyed, they are set aside for the next.
	$effect.pre(() => {
		void screen;
		const { stageKeeper } = site;
		return () => stageKeeper.leave();
	});
	$effect.pre(() => {
		const { stageKeeper } = site;
		return () => stageKeeper.close();
	});
</script>

{#if screen.hasFrames && turn.done > 0}
	<Guarded name="The Measure">
		<Measure
			bands={view.bands}
			others={page.conditions.others}
			width={carriage.width}
			range={carriage.range}
			vantages={marked(site)}
			onwidth={(width) => (carriage.width = width)}
			places={{
				onplace: ({ file, span }) => view.toPlace({ path: file, offset: span.start }),
				placeOf: view.placeOf,
				onshift: onMeasure.onshift,
				onjoin: onMeasure.onjoin,
				meantGap: meantGap(site.kept.finding.list, view.bands)
			}}
			stretches={onMeasure.stretches ?? {}}
		>
			{@render onMeasure.hung?.()}
		</Measure>
	</Guarded>
{/if}
{#key screen}
	{#if turn.done === 2}
		<Guarded name="The screen">
			{#if 'component' in screen.shown}
				<screen.shown.component {workbench} {view} />
			{:else}
				<!-- Scripts of other screens than the first come when they are gone to. -->
				{#await insist(screen.shown.load) then { default: Shown }}
					<Shown {workbench} {view} />
				{/await}
			{/if}
		</Guarded>
	{/if}
{/key}
