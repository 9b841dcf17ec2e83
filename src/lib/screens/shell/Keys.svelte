<script lang="ts">
	import { performAction, shownKey, singleKeys, type Action, type KeyMap } from '$lib/session/keys.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		keys: KeyMap;
		onclose: () => void;
	}

	let { keys, onclose }: Props = $props();

	let single = $state(singleKeys.on);

	/** Keys of the sheet's editor, which act with the caret in it. */
	const IN_SHEET = [
		['Alt ↑ ↓', 'Change the number at the caret by 1; with Shift by 10, with Ctrl by 0.1'],
		['Alt and drag', 'The same, with the pointer on a number'],
		['Esc', 'Restore the number'],
		['Ctrl F', 'Find and replace in this file'],
		['Ctrl /', 'Toggle comment'],
		['Alt . Alt ,', 'Next rule in force here, or the previous one'],
		['Alt PgUp PgDn', 'Move the rule up or down, with its comment'],
		['Alt Enter', 'Go to the definition of the custom property at the caret'],
		['Tab, Shift Tab', 'Indent, outdent'],
		['Esc, then Tab', 'Leave the sheet']
	] as const;

	function act(close: () => void, action: Action, shift = false): void {
		close();
		performAction(action, shift);
	}
</script>

<Dialog title="Keys" {onclose}>
	{#snippet children(close)}
		<div class="two">
			<table>
				<tbody>
					{#each Object.entries(keys) as [key, action] (key)}
						<tr>
							<th scope="row"><kbd>{shownKey(key)}</kbd></th>
							<td><button type="button" onclick={() => act(close, action)}>{action.name}</button></td>
						</tr>
						{#if action.withShift}
							<tr>
								<th scope="row"><kbd>Shift {shownKey(key)}</kbd></th>
								<td
									><button type="button" onclick={() => act(close, action, true)}>{action.withShift}</button
									></td
								>
							</tr>
						{/if}
					{/each}
				</tbody>
			</table>
			<table>
				<caption>With the caret in the sheet</caption>
				<tbody>
					{#each IN_SHEET as [key, words] (key)}
						<tr><th scope="row"><kbd>{key}</kbd></th><td>{words}</td></tr>
					{/each}
				</tbody>
			</table>
		</div>
		<label>
			<input
				type="checkbox"
				bind:checked={single}
				onchange={() => {
					singleKeys.on = single;
				}}
			/>
			Single letters and digits act as keys (never while typing)
		</label>
		<Button onclick={close}>Close</Button>
	{/snippet}
</Dialog>

<style>
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.5rem 2rem;
		margin: 0.75rem 0;
	}

	table {
		align-self: start;
		border-collapse: collapse;
	}

	caption {
		color: var(--ink-2);
		text-align: left;
	}

	th {
		width: 1%;
		padding-right: 0.875rem;
		text-align: left;
		white-space: nowrap;
	}

	td,
	th {
		height: 1.625rem;
		border-bottom: 1px solid var(--hair);
		font-weight: 400;
	}

	kbd {
		font: 0.8125rem/1.2 var(--mono);
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}

	button:hover {
		color: var(--blue);
		text-decoration: underline;
	}

	label {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		margin-bottom: 0.875rem;
	}
</style>
