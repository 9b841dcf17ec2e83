<script lang="ts">
	import { untrack } from 'svelte';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { toNumber } from '$lib/core/interval/index.ts';
	import { jointsOf } from '$lib/core/length/index.ts';
	import { bandAt, lengthContext } from '$lib/core/media/index.ts';
	import { ratioThrough, through, withOwn } from '$lib/core/scale/index.ts';
	import { carriage } from '$lib/state/carriage.svelte.ts';
	import type { KeyMap, Press } from '$lib/state/keys.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { SiteState } from '$lib/state/site.svelte.ts';
	import type { Stages } from '$lib/state/stages.svelte.ts';
	import { checkedStyle, rootNote, stretchesIn, type TextStyle } from '$lib/state/textStyles.ts';
	import type { FilePlace } from '$lib/state/texts.svelte.ts';
	import { tryEdit } from '$lib/state/trying.ts';
	import { ASKED, Typesetting } from '$lib/state/typesetting.svelte.ts';
	import { viewing } from '$lib/state/viewing.svelte.ts';
	import type { StageConfig } from '$lib/stage/client/stage.ts';
	import Button from '$lib/ui/Button.svelte';
	import Measure from '$lib/ui/measure/Measure.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import FramesTable from '../frames/FramesTable.svelte';
	import { Framing, marked } from '../frames/framing.svelte.ts';
	import { lookingKeys } from '../frames/lookingKeys.ts';
	import { placeName } from '../frames/placeName.ts';
	import Chart from './Chart.svelte';
	import Checks from './Checks.svelte';
	import type { DrawnCurve, Knee, Peg } from './drawing.ts';
	import Head from './Head.svelte';
	import { judgedIn } from './judging.ts';
	import LengthPanel from './LengthPanel.svelte';
	import Lines from './Lines.svelte';
	import ScalePanel from './ScalePanel.svelte';
	import { SHOWN } from './shown.ts';
	import Texts from './Texts.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		onplace: (place: FilePlace) => void;
		onpage: (path: string) => void;
		selected: readonly ElementPath[];
		onselect: (paths: readonly ElementPath[]) => void;
		config: StageConfig;
		vantagesHref: string;
		bindKeys: (keys: KeyMap) => void;
		onpress: (press: Press) => void;
	}

	let { site, page, onplace, onpage, selected, onselect, config, vantagesHref, bindKeys, onpress }: Props =
		$props();

	const framing = untrack(() => new Framing(site, true));
	const setting = untrack(() => new Typesetting(site));
	const lead = $derived(framing.lead);
	const bands = $derived(page.bands(lead));
	const leadName = $derived(viewing.lead ?? 'Carriage');
	let stages = $state.raw<Stages | null>(null);
	let inStep = $state(true);
	let frames = $state<FramesTable>();
	type Tab = 'lines' | 'set' | 'checks' | 'texts';
	let tab = $state<Tab>('texts');
	/** The curve that is looked at. */
	let chosen = $state('');
	/** The text size set in the browser by which the curves are drawn, px. */
	let browser = $state(16);

	$effect(() => {
		judgedIn.vantages = site.vantages;
		viewing.wide = false;
		return () => {
			judgedIn.vantages = null;
			tryEdit(site.texts, null);
		};
	});

	/** How long sources are left alone before they are read, ms. */
	const PAUSE = 120;
	/** What sizes go by, besides the sources: not the carriage. */
	const vantage = $derived(JSON.stringify({ ...lead, width: 0 }));
	$effect(() => {
		void [page.conditions, page.source, vantage, setting.declared.map(({ selector }) => selector).join()];
		if (!stages || setting.dragged) return;
		const looked = { page, stages, lead: untrack(() => lead) };
		const gone = new AbortController();
		const timer = setTimeout(() => void setting.look(looked, gone.signal), PAUSE);
		return () => {
			clearTimeout(timer);
			gone.abort();
		};
	});

	const { styles, stylesBefore } = $derived(setting);
	const heights = $derived(lengthContext(lead).heights);
	const larger = $derived(setting.read?.sizingAt(24));
	const checked = $derived(
		setting.read && larger
			? styles.map((style) => checkedStyle(style, setting.read ?? never(), larger ?? never(), SHOWN, heights))
			: []
	);
	const rootFault = $derived(setting.read && larger ? rootNote(setting.read, larger, SHOWN) : undefined);
	const never = (): never => {
		throw new Error('The sizes have not been read.');
	};
	const dotsOf = (path: ElementPath | undefined): (readonly [number, number])[] =>
		path
			? ASKED.flatMap((width) => {
					const size = setting.laid.get(width)?.sizes.get(path.join('.'));
					return size === undefined ? [] : [[width, size] as const];
				})
			: [];

	const atBrowser = $derived(browser === 16 ? null : (setting.read?.sizingAt(browser) ?? null));
	const curves = $derived.by((): DrawnCurve[] => {
		const behind = (): DrawnCurve[] =>
			stylesBefore.map(({ id, name, curve }) => ({
				id: `before ${id}`,
				name,
				curve,
				look: 'behind',
				dots: []
			}));
		if (setting.work === 'scale') {
			const steps = setting.steps.map((step): DrawnCurve => {
				const [selector] = step.role?.selectors ?? [];
				const path = selector === undefined ? undefined : setting.holding(selector);
				return {
					id: `step ${step.step}`,
					name: step.role?.name ?? `step ${step.step}`,
					curve: setting.stepCurve(step),
					look: 'set',
					dots: dotsOf(path)
				};
			});
			return [...behind(), ...steps];
		}
		if (setting.work === 'length' && setting.length) {
			const { lengthCurve, length } = setting;
			const own: DrawnCurve[] = lengthCurve
				? [
						{
							id: 'length',
							name: length.property,
							curve: lengthCurve,
							look: 'set',
							dots: length.property === 'font-size' ? dotsOf(length.path) : []
						}
					]
				: [];
			return [...(length.property === 'font-size' ? behind() : []), ...own];
		}
		return styles.map(({ id, name, curve, texts }) => ({
			id,
			name,
			curve: (atBrowser && texts[0] && atBrowser.size(texts[0].index).curve) || curve,
			look: 'now',
			dots: atBrowser ? [] : dotsOf(texts[0]?.path)
		}));
	});

	const pegs = $derived.by((): Peg[] => {
		if (setting.work === 'scale')
			return setting.steps.flatMap((step) =>
				(['narrow', 'wide'] as const).map((end) => ({
					id: `${end} ${step.step}`,
					of: `step ${step.step}`,
					end,
					width: setting.scale[end].width,
					size: step[end],
					name: step.role?.name ?? `step ${step.step}`,
					scaled: step.own.includes(end) ? step.scaled[end] : null
				}))
			);
		const { length } = setting;
		if (setting.work !== 'length' || !length || setting.problems.length > 0) return [];
		return (
			[
				['narrow', length.least],
				['wide', length.most]
			] as const
		).map(([end, { size, width }]) => ({
			id: `${end} length`,
			of: 'length',
			end,
			width,
			size,
			name: length.property,
			scaled: null
		}));
	});
	const knees = $derived.by((): Knee[] => {
		const { length, lengthCurve } = setting;
		if (setting.work !== 'length' || !lengthCurve || length?.middle.kind === 'between') return [];
		return jointsOf(lengthCurve)
			.filter(({ kind }) => kind === 'knee')
			.map(({ cut, after }, i) => ({ id: `knee ${i}`, width: toNumber(cut.at), size: toNumber(after) }));
	});
	const marked2 = $derived(
		setting.work === 'sizes'
			? checked.flatMap(({ style, zoom }) => stretchesIn(zoom).map((one) => ({ of: style.id, ...one })))
			: []
	);

	/** How a curve was when it was taken hold of. */
	let held: { readonly at: number | null } = { at: null };
	function begin(): void {
		setting.dragged = true;
		setting.mark();
		held = { at: null };
	}

	const places = (size: number): number => Number(Math.max(0.5, size).toFixed(1));

	function drag(id: string, width: number, size: number, shift: boolean): void {
		const [what = '', of = ''] = id.split(' ');
		if (setting.work === 'length') return dragLength(what, of, width, size);
		const step = Number(of);
		if (what !== 'narrow' && what !== 'wide') {
			// The whole curve: both its ends by as much as the pointer goes.
			if (held.at !== null) {
				const by = size / held.at;
				const own = setting.steps.find((one) => one.step === step);
				if (own)
					setting.put(
						(scale) =>
							withOwn(
								withOwn(scale, step, 'narrow', places(own.narrow * by)),
								step,
								'wide',
								places(own.wide * by)
							),
						false
					);
			}
			held = { at: size };
			return;
		}
		setting.put((scale) => {
			const end = scale[what];
			if (step === 0) return { ...scale, [what]: { ...end, body: places(size) } };
			const ratio = shift ? ratioThrough(scale, step, what, size) : undefined;
			return ratio === undefined
				? withOwn(scale, step, what, places(size))
				: { ...scale, [what]: { ...end, ratio } };
		}, false);
	}

	function dragLength(what: string, of: string, width: number, size: number): void {
		const { length } = setting;
		if (!length) return;
		if (what === 'narrow') setting.putLength({ least: { size: places(size), width } }, false);
		else if (what === 'wide') setting.putLength({ most: { size: places(size), width } }, false);
		else if (what === 'knee') {
			const end = of === '0' ? length.least : length.most;
			const vw = Number(((100 * end.size) / width).toFixed(3));
			setting.putLength({ middle: { kind: 'vw', vw } }, false);
		} else {
			if (held.at !== null) {
				const by = size - held.at;
				const { least, most } = length;
				setting.putLength(
					{
						least: { ...least, size: places(least.size + by) },
						most: { ...most, size: places(most.size + by) }
					},
					false
				);
			}
			held = { at: size };
		}
	}

	/** Sets a peg's size; `fit` by the ratio that leads there. */
	function putSize(id: string, size: number | null, fit = false): void {
		const [end = '', of = ''] = id.split(' ');
		if (end !== 'narrow' && end !== 'wide') return;
		const ratio = fit && size !== null ? ratioThrough(setting.scale, Number(of), end, size) : undefined;
		if (setting.work === 'scale' && ratio !== undefined)
			return setting.put((scale) => ({
				...withOwn(scale, Number(of), end, null),
				[end]: { ...scale[end], ratio }
			}));
		if (setting.work === 'length') {
			const { length } = setting;
			if (length && size !== null)
				setting.putLength(
					end === 'narrow' ? { least: { ...length.least, size } } : { most: { ...length.most, size } }
				);
			return;
		}
		const step = Number(of);
		if (step === 0 && size !== null)
			setting.put((scale) => ({ ...scale, [end]: { ...scale[end], body: size } }));
		else setting.put((scale) => withOwn(scale, step, end, size));
	}

	/** Lengths that can be set, besides the text size. */
	const LENGTHS = [
		'font-size',
		'line-height',
		'letter-spacing',
		'padding-top',
		'padding-right',
		'padding-bottom',
		'padding-left',
		'margin-top',
		'margin-bottom',
		'row-gap',
		'column-gap',
		'gap',
		'max-width'
	];

	function beginLength(path: ElementPath | undefined, property = 'font-size'): void {
		const at = path ?? setting.read?.texts[0]?.path;
		if (!at) return;
		setting.begin(at, property);
		chosen = 'length';
		tab = 'set';
	}

	function throughSteps({ texts, curve }: TextStyle): void {
		const found = through(curve, SHOWN);
		const [text] = texts;
		if (!found || !text) return;
		beginLength(text.path);
		setting.putLength({ least: found.fluid.from, most: found.fluid.to, middle: { kind: 'between' } });
	}

	$effect(() => {
		if (setting.work === 'scale') untrack(() => (tab = tab === 'texts' ? 'lines' : tab));
	});

	const here = $derived(bandAt(bands.bands, carriage.width).interval);
	const band = $derived<[number, number]>([
		Math.max(carriage.range[0], toNumber(here.lo)),
		here.hi ? Math.min(carriage.range[1], toNumber(here.hi)) : carriage.range[1]
	]);
	const cuts = $derived(bands.thresholds.map(({ cut }) => toNumber(cut.at)));
	const choose = (id: string): void => {
		chosen = id;
	};
	const lineOf = (file: string, offset: number): number =>
		site.texts.get(file)?.text.slice(0, page.inFile(file, offset)).split('\n').length ?? 1;
	const toPlace = ({ path, offset }: FilePlace): void => onplace({ path, offset: page.inFile(path, offset) });

	const bad = $derived(checked.filter(({ zoom, notes }) => zoom !== null || notes.length > 0).length);
	const tabs = $derived([
		{
			id: 'texts',
			name: 'Sizes',
			title: 'The sizes that this page’s texts have',
			mark: styles.length > 0 ? String(styles.length) : ''
		},
		...(setting.work === 'scale'
			? [{ id: 'set', name: 'Steps', title: 'Steps, names, what is written', mark: '' }]
			: []),
		...(setting.work === 'length'
			? [{ id: 'set', name: 'Three numbers', title: 'Smallest, middle, largest', mark: '' }]
			: []),
		{
			id: 'lines',
			name: 'Lines',
			title: 'The lines that would change',
			mark: setting.edit ? String(setting.lines.reduce((n, { hunks }) => n + hunks.length, 0)) : ''
		},
		{ id: 'checks', name: 'Checks', title: 'Zoom, hierarchy, lines, notes', mark: bad > 0 ? String(bad) : '' }
	]);
	const shownTab = $derived(tabs.some(({ id }) => id === tab) ? tab : 'lines');

	const short = (path: string): string => path.replace(/^.*\//, '');
	function write(): void {
		if (setting.write()) tab = 'texts';
	}

	/** What writing would change; while nothing is tried, how the lead's levels and words are set. */
	const wake = $derived.by(() => {
		if (!setting.edit) return setting.work === 'sizes' ? setLines() : 'nothing changes';
		const count = setting.changed.length;
		const own = `${count} ${count === 1 ? 'text changes its' : 'texts change their'} size here`;
		const { elements = 0, pages = 0 } = setting.elsewhere ?? {};
		const on =
			pages > 0 ? `; its rules hit ${elements} on ${pages} other ${pages === 1 ? 'page' : 'pages'}` : '';
		return `if written: ${own}${on}`;
	});
	const setLines = (): string => {
		const laid = setting.laid.get(carriage.width);
		return setting
			.levels('read')
			.filter(({ name }) => name === 'h1' || name === 'p')
			.flatMap(({ name, path }) => {
				const broken = laid?.broken.get(path.join('.'));
				const height = laid?.lineHeights.get(path.join('.'));
				if (!broken) return [];
				const high = height && Number.isFinite(height) ? `, line height ${Number(height.toFixed(1))} px` : '';
				return `${name}: ${broken.characters} characters a line, ${broken.lines} ${broken.lines === 1 ? 'line' : 'lines'}${high}`;
			})
			.join(' · ');
	};
	$effect(() => {
		const { width } = carriage;
		if (!setting.read) return;
		void setting.laid;
		const gone = new AbortController();
		const timer = setTimeout(() => void setting.lookAt(width, gone.signal), PAUSE);
		return () => {
			clearTimeout(timer);
			gone.abort();
		};
	});
	$effect(() => {
		void setting.edit;
		const gone = new AbortController();
		const timer = setTimeout(() => void setting.count(gone.signal), PAUSE);
		return () => {
			clearTimeout(timer);
			gone.abort();
		};
	});

	$effect(() => {
		bindKeys({
			...lookingKeys(
				site.vantages,
				() => bands,
				() => [],
				() => frames?.toChorus()
			),
			s: {
				name: 'A scale for all sizes',
				withShift: 'The sizes as they are',
				does: ({ shift }) => setting.choose(shift ? 'sizes' : 'scale')
			},
			o: { name: 'One length: the text size of what is selected', does: () => beginLength(selected[0]) },
			z: {
				name: 'Undo what was set',
				withShift: 'Set it again',
				does: ({ shift }) => (shift ? setting.redo() : setting.undo())
			},
			e: {
				name: 'To the first peg; Tab goes on',
				does: () => document.querySelector<HTMLInputElement>('.hung input')?.focus()
			},
			q: { name: 'Write what is tried into the sheet', does: write },
			c: { name: 'Checks', withShift: 'Sizes', does: ({ shift }) => (tab = shift ? 'texts' : 'checks') },
			i: {
				name: 'Lines that would change',
				withShift: 'What is set',
				does: ({ shift }) => (tab = shift ? 'set' : 'lines')
			},
			...(setting.work !== 'sizes' && !viewing.use
				? { escape: { name: 'Let go of what is tried', does: () => setting.drop() } }
				: {})
		});
		return () => bindKeys({});
	});

	$effect(() => stages?.keepInStep(inStep));
</script>

<Measure
	{bands}
	others={page.conditions.others}
	width={carriage.width}
	range={carriage.range}
	vantages={marked(site)}
	onwidth={(width) => (carriage.width = width)}
	onplace={({ file, span }) => toPlace({ path: file, offset: span.start })}
	placeOf={(place) => placeName(page, place)}
/>
<main>
	<Head {setting} onlength={() => beginLength(selected[0])} />
	<Chart
		range={carriage.range}
		width={carriage.width}
		onwidth={(width) => (carriage.width = width)}
		{cuts}
		{band}
		{curves}
		{pegs}
		{knees}
		marked={marked2}
		root={setting.root.px}
		{chosen}
		onchoose={choose}
		onbegin={begin}
		onend={() => (setting.dragged = false)}
		ondrag={drag}
		onsize={putSize}
	/>
	<div class="below">
		<FramesTable
			bind:this={frames}
			bind:stages
			bind:inStep
			{site}
			{page}
			{framing}
			{leadName}
			placeOf={(place) => placeName(page, place)}
			original={undefined}
			onlie={() => undefined}
			onholds={() => undefined}
			edited={null}
			{selected}
			{onselect}
			{onpage}
			{onpress}
			{config}
			{vantagesHref}
		/>
		<section class="panel" aria-label="Sizes">
			<Tabs
				label="What is shown of the sizes"
				{tabs}
				chosen={shownTab}
				onchoose={(id) => (tab = id as Tab)}
			/>
			<div
				class="scroll"
				role="tabpanel"
				tabindex="0"
				aria-label={tabs.find(({ id }) => id === shownTab)?.name}
			>
				{#if setting.trouble}<p class="trouble" role="alert">{setting.trouble}</p>{/if}
				{#if shownTab === 'lines'}
					<Lines {setting} {site} {onplace} />
				{:else if shownTab === 'set' && setting.work === 'scale'}
					<ScalePanel {setting} />
				{:else if shownTab === 'set'}
					<LengthPanel
						{setting}
						properties={LENGTHS}
						onproperty={(property) => beginLength(setting.length?.path, property)}
					/>
				{:else if shownTab === 'checks'}
					<Checks {setting} {checked} root={rootFault} onplace={toPlace} onchoose={choose} />
				{:else}
					<Texts
						{setting}
						{styles}
						{chosen}
						onchoose={choose}
						onselect={(path) => onselect([path])}
						onlength={(path) => beginLength(path)}
						onthrough={throughSteps}
						onplace={toPlace}
						{lineOf}
					/>
				{/if}
			</div>
		</section>
	</div>
	<p class="wake">
		<b>Wake</b>
		<span role="status">{wake}</span>
		{#if setting.work !== 'sizes'}
			<Button look="primary" disabled={!setting.edit} title="Q" onclick={write}
				>Write into {short(setting.into)}</Button
			>
			<Button onclick={() => setting.drop()}>Let it go</Button>
			<Button look="quiet" disabled={!setting.canUndo} onclick={() => setting.undo()} title="Z">Undo</Button>
		{/if}
		<label>
			browser’s text size
			<select value={browser} onchange={(event) => (browser = Number(event.currentTarget.value))}>
				{#each [16, 20, 24] as px (px)}<option value={px}>{px} px</option>{/each}
			</select>
		</label>
	</p>
</main>

<style>
	main {
		grid-area: work;
		display: grid;
		grid-template: auto minmax(11rem, 46%) minmax(0, 1fr) auto / minmax(0, 1fr);
		min-height: 0;
	}

	.below {
		display: grid;
		grid-template: minmax(0, 1fr) / minmax(0, 1fr) minmax(22rem, 37%);
		min-height: 0;
		border-top: 1px solid var(--hair);
	}

	.panel {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		min-height: 0;
		border-left: 1px solid var(--hair);
		background: var(--sheet);
	}

	.scroll {
		padding: 0.5rem 1rem;
		overflow: auto;
	}

	.trouble {
		color: var(--rubric);
	}

	.wake {
		display: flex;
		align-items: center;
		gap: 1.25rem;
		/* As high with its buttons as without: the lead's height hangs on it. */
		min-height: 2.75rem;
		margin: 0;
		padding: 0.25rem 1.25rem 0.25rem 1rem;
		border-top: 1px solid var(--ink);
		background: var(--sheet);
	}

	.wake b {
		font: 600 1rem/1.2 var(--display);
	}

	.wake :global(button),
	.wake label {
		flex: none;
	}

	.wake label {
		margin-left: auto;
		color: var(--ink-2);
	}
</style>
