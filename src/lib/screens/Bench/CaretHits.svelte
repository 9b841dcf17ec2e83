<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { printPaths, type ElementPath } from '$lib/core/html/index.ts';
	import { elementsOf } from '$lib/core/selector/index.ts';
	import { caretRule, type CaretRule } from '$lib/editor/caretRule.ts';
	import { counted } from '$lib/core/text/index.ts';
	import { hitsOf } from '$lib/inquiry/hits.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		file: FileText;
		selected: readonly ElementPath[];
		onselect: (paths: readonly ElementPath[]) => void;
		/** The elements of the lead that a selector matches; null while there are no frames. */
		found: ((selector: string) => Promise<readonly ElementPath[]>) | null;
		/** Proposes to replace the rule's selector by another, with a remark. */
		onwrite: (selector: string, note: string) => void;
		/** Reports the rule at the caret. */
		rule: CaretRule | undefined;
	}

	let { page, file, selected, onselect, found, onwrite, rule = $bindable() }: Props = $props();
	const { selectionView } = getSite();

	/** The pause in moving the caret before matches are counted, ms. */
	const REST = 150;

	$effect(() => {
		const [{ state }, { conditions }] = [file, page];
		if (!found) return;
		const timer = setTimeout(() => {
			if (file.isBehind || file.state !== state || page.conditions !== conditions) return;
			rule = caretRule(file, page.sources);
		}, REST);
		return () => clearTimeout(timer);
	});
	const answer = later({
		question: () =>
			rule && found ? { selector: rule.selector, path: file.path, of: page.conditions } : undefined,
		about: ({ selector, path }) => `${path} ${selector}`,
		ask: ({ selector, path }) => hitsOf(page.answers, selector, path)
	});
	const hits = $derived(answer.value ?? null);
	/** Whether the focus is in the sheet: otherwise nobody has asked for outlines. */
	let typing = $state(false);
	const look = (): void => {
		typing = document.activeElement?.matches('.cm-content') ?? false;
	};
	$effect(() => page.answers.outline(typing && rule?.writing ? elementsOf(rule.selector) : ''));
	$effect(() => () => page.answers.outline(''));

	const elsewhere = $derived(hits?.elsewhere.filter(([, count]) => count > 0) ?? []);
	const without = $derived((hits?.elsewhere.length ?? 0) - elsewhere.length);

	/** Selects the next element that the rule matches, or the previous one. */
	export async function step(by: number): Promise<void> {
		if (!rule || !found) return;
		const paths = await found(elementsOf(rule.selector));
		if (paths.length === 0) return;
		const at = paths.findIndex((path) => printPaths([path]) === printPaths(selected.slice(0, 1)));
		const next = paths[(at < 0 ? (by > 0 ? 0 : -1) : at + by + paths.length) % paths.length] ?? paths.at(-1);
		if (!next) return;
		onselect([next]);
		selectionView.reveal = [...next];
	}
</script>

<Trouble sentence={answer.error} />
<svelte:document onfocusin={look} onfocusout={() => (typing = false)} />

<div class="hits" role="group" aria-label="What the rule at the caret matches">
	{#if rule && hits}
		{@const { selector } = rule}
		<p>
			<button
				type="button"
				class="plain"
				title="Outlines in the frames what it matches"
				onmouseenter={() => page.answers.outline(elementsOf(selector))}
				onmouseleave={() => page.answers.outline('')}
				onfocus={() => page.answers.outline(elementsOf(selector))}
				onblur={() => page.answers.outline('')}
				onclick={() => void step(1)}><code>{selector}</code></button
			>
			{#if hits.here === null}
				<span>no selector{rule.writing ? ' yet' : ' that a browser reads'}</span>
			{:else}
				{@const { here, isOnPage } = hits}
				<b class:none={here === 0}
					>{!isOnPage
						? 'not on this page'
						: here === 0
							? 'nothing here'
							: `${counted(here, 'element')} here`}</b
				>
				{#if here > 0}
					<button
						type="button"
						aria-label="Previous element that it matches"
						title="Key ,"
						onclick={() => step(-1)}>‹</button
					><button
						type="button"
						aria-label="Next element that it matches"
						title="Key ."
						onclick={() => step(1)}>›</button
					>
				{/if}
				{#if hits.elsewhere.length > 0}
					<span title={elsewhere.map(([name, count]) => `${name} ${count}`).join('\n')}>
						{here === 0 && elsewhere.length > 0 ? 'only on' : elsewhere.length > 0 ? 'also on' : ''}
						{elsewhere
							.slice(0, 3)
							.map(([name, count]) => `${name} ${count}`)
							.join(', ')}{elsewhere.length > 3 ? ` and ${elsewhere.length - 3} more` : ''}{elsewhere.length >
							0 && without > 0
							? '; '
							: ''}{without > 0 ? `none on ${without} other${without > 1 ? 's' : ''}` : ''}
					</span>
				{/if}
			{/if}
		</p>
		{#each hits.near as { selector: other, how, count }, i (i)}
			<p class="near">
				‸
				{#if rule.span}
					<button
						type="button"
						class="plain"
						title="Write it so"
						onclick={() => onwrite(other, `It would match ${counted(count, 'element')}: ${how}.`)}
						><code>{other}</code></button
					>
				{:else}<code>{other}</code>{/if}
				<span>would match {counted(count, 'element')}: {how}</span>
			</p>
		{/each}
	{:else}
		<p class="none">Put the caret in a rule to see what it matches.</p>
	{/if}
</div>

<style>
	.hits {
		flex: none;
		padding: 3px 0.875rem;
		border-top: 1px solid var(--hair);
		font-size: 0.8125rem;
	}

	p {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 1.5rem;
		overflow: hidden;
		white-space: nowrap;
	}

	code {
		font: 0.8125rem/1.3 var(--mono);
	}

	.plain {
		min-width: 4ch;
		overflow: hidden;
		text-overflow: ellipsis;
	}

	span,
	.none {
		color: var(--ink-2);
	}

	span {
		overflow: hidden;
		text-overflow: ellipsis;
	}

	b {
		flex: none;
		font-weight: 700;
	}

	b.none,
	.near {
		color: var(--rubric);
	}

	button {
		flex: none;
		min-width: 1.5rem;
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		cursor: pointer;
	}

	button.plain {
		flex: 0 1 auto;
		max-width: 62%;
		text-align: left;
	}

	button:hover {
		background: var(--tint);
	}
</style>
