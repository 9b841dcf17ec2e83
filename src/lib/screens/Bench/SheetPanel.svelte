<script lang="ts">
	import { insist } from '$lib/session/insist.ts';
	import { whyNot } from '$lib/core/text/index.ts';
	import { bandAt } from '$lib/core/media/index.ts';
	import { toggleComment } from '@codemirror/commands';
	import { unfoldAll } from '@codemirror/language';
	import type { Command } from '@codemirror/view';
	import { insertProperty } from '$lib/editor/insertProperty.ts';
	import { foldOthers, toDefinition, toRuleInForce } from '$lib/editor/moves.ts';
	import { muteFile, muteOthers, toggleMute } from '$lib/editor/muting.ts';
	import { wrapping } from '$lib/editor/wrapping.svelte.ts';
	import CaretHits from './CaretHits.svelte';
	import type { IneffectiveDeclaration } from '$lib/inquiry/idle.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import { turns } from '$lib/ui/turns.svelte.ts';
	import { untrack } from 'svelte';
	import type { BenchState } from './bench.svelte.ts';
	import { inForceOf } from './inForce.svelte.ts';
	import FileTabs from './FileTabs.svelte';
	import InFile from './InFile.svelte';
	import { filesOf } from './files.svelte.ts';
	import KeyedMenu from './KeyedMenu.svelte';
	import Sheet from './Sheet.svelte';
	import SheetBar from './SheetBar.svelte';
	import { later } from '$lib/session/later.svelte.ts';

	interface Props {
		bench: BenchState;
		/** Called when a text was changed. */
		onedit: () => void;
	}

	let { bench, onedit }: Props = $props();
	const { site, workbench, writing, watching } = untrack(() => bench);
	const { show, select } = workbench;
	const { file, place } = $derived(workbench);
	const { page, lead, bands, selected, found, idle, swept } = $derived(bench);
	const { waking, holding } = $derived(watching);

	/** The editor's extensions, and then the editor, come after what is above it. */
	const turn = turns(2, () => shown?.open());
	let sheet = $state<Sheet>();
	let bar = $state<SheetBar>();

	const files = untrack(() => filesOf(bench));
	const { paths } = $derived(files);
	const shown = $derived(site.texts.get(paths.includes(file) ? file : (paths[0] ?? page.path)));
	/** A request for a place in the sheet shows the sheet. */
	$effect(() => void (place && (site.viewing.tall = false)));
	const inForce = untrack(() => inForceOf(bench, () => shown));
	const run = (command: Command) => () => sheet?.run(command);
	const moves = $derived<[string, string, () => void][]>(
		shown
			? [
					['Rule of what is selected', 'R', () => void bench.toRule()],
					['Next rule in force here', 'Alt .', run(toRuleInForce(1))],
					['Rule in force before', 'Alt ,', run(toRuleInForce(-1))],
					['Go to the definition of a custom property', 'Alt Enter', run(toDefinition)],
					['Move the rule up, with its comment', 'Alt PgUp', () => move(-1)],
					['Move the rule down, with its comment', 'Alt PgDn', () => move(1)],
					['Toggle comment', 'Ctrl /', run(toggleComment)],
					['Fold what is not in force here', 'G', () => fold(true)],
					['Unfold all', 'Shift G', () => fold(false)],
					['Next element that the rule matches', '.', () => step(1)],
					['Previous element that it matches', ',', () => step(-1)],
					['Rules that match nothing…', '', () => (leftovers = true)],
					['Search all files…', 'A', search],
					[
						wrapping.isOn ? 'Do not wrap long lines' : 'Wrap long lines',
						'',
						() => (wrapping.isOn = !wrapping.isOn)
					]
				]
			: []
	);
	const mutes = $derived<[string, string, () => void][]>([
		['What the caret is in, or unmute it', 'M', () => mute()],
		['The rule or block around that', '', () => mute(1)],
		['All of this file', '', () => shown && muteFile(shown)],
		[
			'All sheets but the rule at the caret',
			'',
			() => shown && (heard = whyNot(muteOthers([...site.texts.values()], shown)))
		],
		['Unmute everything', 'Shift M', () => mute('back')]
	]);
	let heard = $state<string | null>(null);
	$effect(() => void (bench.shown = shown?.path ?? ''));

	/** The pause in changes before declarations without effect are looked for, ms. */
	const IDLE_REST = 700;
	/** Longer texts, in UTF-16 units, are not judged: all their declarations would have to be tried. */
	const MOST_JUDGED = 400_000;
	/** The declarations without effect, and their file. */
	const judged = later({
		question: () =>
			idle && shown && shown.text.length <= MOST_JUDGED
				? { idle, path: shown.path, of: [page.conditions, lead] }
				: undefined,
		about: ({ path }) => path,
		rest: IDLE_REST,
		ask: (asked): Promise<readonly IneffectiveDeclaration[]> => asked.idle(asked.path)
	});
	const doNothing = $derived(judged.value ?? []);
	const trouble = $derived(inForce.error || judged.error || null);

	let leftovers = $state(false);
	let hits = $state<CaretHits>();
	/** Selects the next element that the caret's rule matches, or the previous one. */
	export const step = (by: number): void => void hits?.step(by);

	let searching = $state<string | null>(null);

	/** Opens the choice of conditions for the selected rules, or removes the condition around the caret. */
	export const wrap = (on: boolean): void => (on ? bar?.chooseWrap() : bar?.unwrap());

	export const focus = (): void => sheet?.focus();

	/** Mutes what the caret is in, or so many levels further out; or unmutes everything. */
	export function mute(what: number | 'back' = 0): void {
		if (what === 'back') for (const text of site.texts.values()) text.unmute();
		else if (shown) heard = whyNot(toggleMute(shown, what));
	}
	async function move(by: number): Promise<void> {
		heard = whyNot(await bench.move(by));
	}
	$effect(() =>
		site.doing({
			say: (sentence) => (heard = sentence),
			insert: (property) => sheet?.run(insertProperty(property)),
			moveRule(by) {
				void move(by);
				return true;
			},
			toggleMute() {
				mute();
				return true;
			}
		})
	);

	let goMenu = $state<KeyedMenu>();
	let muteMenu = $state<KeyedMenu>();
	export const openGo = (): void => goMenu?.open();
	export const openMute = (): void => muteMenu?.open();

	/** Folds what is not in force at the carriage, or unfolds all. */
	export const fold = (on: boolean): void => sheet?.run(on ? foldOthers(inForce.value) : unfoldAll);

	/** Opens the search over all files, for the sheet's selection. */
	export function search(): void {
		const { state } = shown ?? {};
		searching = state?.sliceDoc(state.selection.main.from, state.selection.main.to).split('\n')[0] ?? '';
	}
</script>

<section aria-label="Sheet">
	<FileTabs {files} shown={shown?.path ?? ''} {workbench} />
	{#if shown}
		<SheetBar bind:this={bar} {bands} here={bandAt(bands.bands, lead.width)} onwrap={bench.wrap}>
			{#if site.compiled.has(shown.path)}
				<p
					class="given"
					title="Its source map says so: the next compilation overwrites what is written here."
				>
					compiled: locked
				</p>
			{:else if shown.isGiven}<p class="given">given: locked</p>{/if}
			{#if site.otherTabs.has(shown.path)}
				<p class="given" title="Saved there first, it is a conflict here, and nothing is lost.">
					unsaved in another tab
				</p>
			{/if}
			{#if heard ?? trouble}<p role="status">{heard ?? trouble}</p>{/if}
			<button type="button" onclick={bench.arrange}>Arrange…</button>
			<KeyedMenu label="Mute" entries={mutes} bind:this={muteMenu} />
			<KeyedMenu label="Go" entries={moves} bind:this={goMenu} />
		</SheetBar>
		{#if turn.done === 2}
			<Sheet bind:this={sheet} file={shown} inForce={inForce.value} idle={doNothing} goto={place} {onedit} />
		{/if}
		{#if shown.ownLines}<InFile {site} file={shown} />{/if}
		<Guarded name="What the rule matches">
			<CaretHits
				bind:this={hits}
				bind:rule={bench.rule}
				{page}
				file={shown}
				{selected}
				onselect={select}
				{found}
				onwrite={bench.reselect}
			/>
		</Guarded>
		{#if waking?.wake || waking?.busy || (holding?.breaches.length ?? 0) > 0}
			{#await insist(() => import('$lib/features/wake/WakeLine.svelte')) then { default: WakeLine }}
				<Guarded name="Wake"><WakeLine {waking} {holding} {swept} onpropose={() => writing.anew()} /></Guarded
				>
			{/await}
		{/if}
	{/if}
</section>
{#if leftovers && shown}
	{#await insist(() => import('$lib/features/search/Leftovers.svelte')) then { default: Leftovers }}
		<Leftovers {page} file={shown} onplace={show} onclose={() => (leftovers = false)} />
	{/await}
{/if}
{#if searching !== null}
	{#await insist(() => import('$lib/features/search/SearchAll.svelte')) then { default: SearchAll }}
		<SearchAll
			files={[...site.texts.values()]}
			words={searching ?? ''}
			onplace={show}
			{onedit}
			onclose={() => (searching = null)}
		/>
	{/await}
{/if}

<style>
	section {
		display: flex;
		flex-direction: column;
		height: 100%;
		min-width: 0;
		min-height: 0;
		background: var(--sheet);
	}

	section button {
		min-height: 1.625rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		cursor: pointer;
	}

	section button:hover {
		background: var(--tint);
	}

	.given {
		color: var(--ochre);
	}
</style>
