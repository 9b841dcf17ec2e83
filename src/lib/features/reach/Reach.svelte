<script lang="ts">
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import { candidatesFor, type Candidate, type NameFacts, type Rung } from '$lib/core/selector/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { CaretRule } from '$lib/editor/caretRule.ts';
	import { counted } from '$lib/core/text/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import GiveClass from '$lib/features/markup/GiveClass.svelte';
	import MoveRule from '$lib/features/collation/MoveRule.svelte';
	import { placeName } from '$lib/features/frames/placeName.ts';
	import { reached, type ReachQuestions, type ReachRow } from './reachRows.ts';
	import ReachTable from './ReachTable.svelte';
	import { later } from '$lib/session/later.svelte.ts';
	import { namesNow } from '$lib/session/pageNames.ts';
	import Button from '$lib/ui/Button.svelte';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		/** The selected elements: selectors have to match all of them. */
		paths: readonly ElementPath[];
		lead: SeenVantage;
		/** The file in the sheet: where a new rule would go. */
		file: string;
		/** What the site knows about names. */
		known: Pick<NameFacts, 'unsteady' | 'given'>;
		questions: ReachQuestions;
		/** The rule at the caret, and a request to replace its selector. */
		rule: CaretRule | undefined;
		onwrite: (selector: string, note: string) => void;
		/** Writes a new rule with a selector. */
		onrule: (selector: string) => void;
		/** Adds a class to elements; returns what was done, in words. */
		give: (paths: readonly ElementPath[], name: string) => Promise<string>;
	}

	let { page, paths, lead, file, known, questions, rule, onwrite, onrule, give }: Props = $props();

	const CALLED: Readonly<Record<Rung, string>> = {
		kind: 'every one of this kind',
		page: 'this page only',
		class: 'every element with this class',
		section: 'this section only',
		this: 'this one',
		part: 'a part of it'
	};

	const path = $derived(paths[0] ?? []);
	const element = $derived(elementAt(page.page, path));
	const names = namesNow(() => page);
	const all = $derived(
		element
			? candidatesFor(element, {
					...known,
					styled: names.value?.styled ?? null,
					elements: page.page.elements
				})
			: []
	);
	const selectorAtCaret = $derived(rule?.span ? rule.selector : '');

	const answer = later({
		question: () => ({ all, paths, selector: selectorAtCaret }),
		about: (asked) => asked.paths.map((one) => one.join()).join(' '),
		ask: async (asked) => ({
			...(await reached(asked.all, asked.paths, asked.selector, questions)),
			selector: asked.selector
		})
	});

	let property = $state('');
	const asked = later({
		question: () => ({ path, of: page.conditions }),
		about: (question) => question.path.join(),
		ask: (question) => questions.trace(question.path)
	});
	const traced = $derived(asked.value ?? null);

	/** Whether a new rule would win the property in question, in words; '' while there is none. */
	function fate({ specificity, rung }: Candidate): string {
		const name = property.trim().toLowerCase();
		if (!traced || rung === 'part' || !(traced.longhands.includes(name) || name.startsWith('--'))) return '';
		const verdict = traced.wouldWin(name, lead.width, specificity, file);
		if (verdict.wins) return '✓ would win';
		const { to, criterion } = verdict;
		const by = criterion === 'style-attribute' ? 'a style attribute' : criterion;
		return `would lose to ${placeName(page, to)}, by ${by}`;
	}

	const rows = $derived(
		(answer.value?.rows ?? []).map((one, i, list) => ({
			...one,
			heading: list[i - 1]?.rung === one.rung ? '' : CALLED[one.rung],
			fate: fate(one)
		}))
	);

	const hitsInWords = ({ here, pages }: ReachRow): string =>
		`It matches ${counted(here ?? 0, 'element')} here${pages.length > 0 ? `; elsewhere ${pages.join(', ')}` : ''}.`;

	let said = $state('a click copies a selector');
	/** The selector that was copied last, while it is one of these. */
	let copied = $state('');
	async function copy(selector: string): Promise<void> {
		copied = selector;
		said = await navigator.clipboard.writeText(selector).then(
			() => `${selector} is on the clipboard`,
			() => 'this browser does not allow writing to the clipboard'
		);
	}
</script>

<Trouble sentence={answer.error || asked.error} />
{#if element}
	<div class="head">
		<p role="status">
			<b>{nameOfElement(element)}</b>
			<span>{paths.length > 1 ? `and ${paths.length - 1} more: what matches them all;` : ''} {said}</span>
		</p>
		{#if rows.some(({ selector }) => selector === copied)}
			<Button look="quiet" onclick={() => onrule(copied)}>New rule with it</Button>
		{/if}
		<label>
			would win
			<input
				bind:value={property}
				list="reach-properties"
				placeholder="a property"
				spellcheck="false"
				autocomplete="off"
			/>
		</label>
		<datalist id="reach-properties">
			{#each traced?.properties ?? [] as one (one)}<option value={one}></option>{/each}
		</datalist>
	</div>
	{#if answer.value?.rung && answer.value.selector === selectorAtCaret}
		{@const { rung, rows } = answer.value}
		<MoveRule
			selector={selectorAtCaret}
			{rung}
			called={CALLED[rung]}
			{rows}
			onwrite={(row) => onwrite(row.selector, hitsInWords(row))}
		/>
	{/if}
	<ReachTable
		{rows}
		others={answer.value?.others ?? 0}
		oncopy={(selector) => void copy(selector)}
		onoutline={(selector) => page.answers.outline(selector)}
	/>
	<GiveClass {page} {names} {paths} {give} />
{:else}
	<p>This element is no longer on the page.</p>
{/if}

<style>
	b {
		font: 600 0.8125rem/1.4 var(--mono);
	}

	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.75rem;
		align-items: baseline;
		justify-content: space-between;
	}

	.head p {
		flex: 1;
		min-width: 12rem;
	}

	label {
		flex: none;
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	input {
		width: 7.5rem;
		margin-left: 0.375rem;
		min-height: 1.625rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
	}

	p span {
		color: var(--ink-2);
	}
</style>
