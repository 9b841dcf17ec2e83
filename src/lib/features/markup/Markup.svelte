<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { hasOnlyWords, sourceOfText, type MarkupRequest } from '$lib/core/html/edit/index.ts';
	import {
		classesOf,
		elementAt,
		likeIt,
		nameOfElement,
		wordsIn,
		type ElementPath
	} from '$lib/core/html/index.ts';
	import { relativeAddress } from '$lib/core/site/index.ts';
	import { sentenceOf } from '$lib/core/text/index.ts';
	import { namesNow } from '$lib/session/pageNames.ts';
	import AddElement from './AddElement.svelte';
	import ClassList from './ClassList.svelte';
	import { requestMarkup } from './markup.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import NewAttribute from './NewAttribute.svelte';
	import Wrapping from './Wrapping.svelte';
	import TextInput from '$lib/ui/TextInput.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		paths: readonly ElementPath[];
		proposal: Proposal;
	}

	let { site, page, paths, proposal }: Props = $props();
	const { selectionView } = getSite();

	const picturesId = $props.id();
	const classesId = `${picturesId}-classes`;
	const names = namesNow(() => page);

	const element = $derived(elementAt(page.page, paths[0] ?? []));
	const isGiven = $derived(site.given.has(page.path));
	let onto = $state<'these' | 'section' | 'page'>('these');
	const chosen = $derived(
		onto === 'these' || !element ? paths : likeIt(page.page, element, onto).map(({ path }) => path)
	);
	/** Whether the selected elements are adjacent siblings. */
	const together = $derived.by(() => {
		const all = paths.map((path) => elementAt(page.page, path));
		const parent = all[0]?.parent;
		const at = all.map((one) => (one && parent ? parent.children.indexOf(one) : -1)).sort((a, b) => a - b);
		return (
			all.length > 1 && at.every((index, i) => index >= 0 && (i === 0 || index === (at[i - 1] ?? 0) + 1))
		);
	});
	/** The words selected in a frame (by a double click), otherwise in the page's source. */
	const words = $derived.by(() => {
		const inFrame = selectionView.words;
		if (inFrame && element && inFrame.path.join() === element.path.join())
			return sourceOfText(page.page, element, inFrame.start, inFrame.end) ?? null;
		const { text, state } = site.texts.get(page.path) ?? {};
		const main = state?.selection.main;
		// With errands applied, the page differs from what the sheet's panel shows.
		return main && !main.empty && text === page.source ? { start: main.from, end: main.to } : null;
	});

	/** The result of a request for given markup. */
	let heard = $state('');
	async function propose(request: MarkupRequest): Promise<void> {
		heard = '';
		const elements = 'together' in request && request.together ? ordered : chosen;
		heard = sentenceOf(await requestMarkup(site, page, proposal, elements, request));
	}
	/** The site's pictures, as addresses of this page. */
	const pictures = $derived(
		site.files.filter(({ kind }) => kind === 'picture').map(({ path }) => relativeAddress(path, page.path))
	);
	const PICTURE = /^(src|srcset|poster|href)$/;
	const ordered = $derived([...paths].sort((a, b) => (a.at(-1) ?? 0) - (b.at(-1) ?? 0)));

	const typed = (event: Event & { currentTarget: HTMLInputElement }): string => event.currentTarget.value;
</script>

{#if element}
	<div class="head">
		<p><b>{nameOfElement(element)}</b></p>
		<label>
			Apply to
			<select bind:value={onto}>
				<option value="these">{paths.length > 1 ? 'these' : 'this one'}</option>
				<option value="section">all like it in its section</option>
				<option value="page">all like it on the page</option>
			</select>
		</label>
		<span class="count">{chosen.length}</span>
	</div>
	{#if isGiven}<p class="given">{page.path} is given: what is done here is an errand for its host.</p>{/if}
	{#if heard !== ''}<p class:refusal={proposal.refusal} role="status">{heard}</p>{/if}
	<table>
		<tbody>
			{#if classesOf(element).length > 0}
				<tr>
					<th scope="row">classes</th>
					<td>
						{#each classesOf(element) as one (one)}
							<button
								type="button"
								class="chip"
								title="Remove the class {one}"
								onclick={() => propose({ kind: 'class', name: one })}>{one} ×</button
							>
						{/each}
					</td>
				</tr>
			{/if}
			{#each element.attributes as [one, { value: now }] (one)}
				{#if one !== 'class'}
					<tr>
						<th scope="row"><code>{one}</code></th>
						<td>
							<TextInput
								width="calc(100% - 2.5rem)"
								value={now}
								aria-label="Value of {one}"
								list={PICTURE.test(one) ? picturesId : undefined}
								onchange={(event) => propose({ kind: 'attribute', name: one, value: typed(event) })}
							/>
							<button
								type="button"
								class="chip"
								aria-label="Remove {one}"
								onclick={() => propose({ kind: 'attribute', name: one, value: null })}>×</button
							>
						</td>
					</tr>
				{/if}
			{/each}
			{#if hasOnlyWords(element)}
				<tr>
					<th scope="row">words</th>
					<td>
						<TextInput
							width="calc(100% - 2.5rem)"
							value={wordsIn(element)}
							aria-label="Text in it"
							onchange={(event) => propose({ kind: 'words', words: typed(event) })}
						/>
					</td>
				</tr>
			{/if}
		</tbody>
	</table>
	<datalist id={picturesId}
		>{#each pictures as address (address)}<option value={address}></option>{/each}</datalist
	>
	<NewAttribute onadd={(name, value) => void propose({ kind: 'attribute', name, value })} />
	<ClassList id={classesId} names={names.value} />
	<Wrapping source={page.page.source} {classesId} isRow={together} {words} onrequest={propose} />
	<AddElement onadd={(html, place) => void propose({ kind: 'insert', html, place })} />
	<p class="acts">
		<Button look="quiet" onclick={() => propose({ kind: 'unwrap' })}>Unwrap</Button>
		<Button look="quiet" onclick={() => propose({ kind: 'move', by: -1 })}>Earlier</Button>
		<Button look="quiet" onclick={() => propose({ kind: 'move', by: 1 })}>Later</Button>
		<Button look="quiet" onclick={() => propose({ kind: 'duplicate' })}>Duplicate</Button>
	</p>
{:else}
	<p>This element is no longer on the page.</p>
{/if}

<style>
	.head,
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.625rem;
		align-items: center;
		min-height: 1.75rem;
	}

	b,
	code {
		font: 600 0.8125rem/1.4 var(--mono);
	}

	code {
		font-weight: 400;
	}

	label,
	.count {
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.8125rem;
	}

	th {
		width: 6.5rem;
		color: var(--ink-2);
		font-weight: 400;
		text-align: left;
	}

	th,
	td {
		height: 1.75rem;
		border-bottom: 1px solid var(--hair);
	}

	.chip {
		min-width: 1.5rem;
		min-height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		font: 0.8125rem/1.2 var(--mono);
		cursor: pointer;
	}

	.chip:hover {
		background: var(--pick);
	}

	.given {
		color: var(--ochre);
	}

	.refusal {
		color: var(--rubric);
	}
</style>
