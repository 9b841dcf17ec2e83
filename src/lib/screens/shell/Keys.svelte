<script lang="ts">
	import { performAction, shownKey, singleKeys, type KeyMap } from '$lib/session/keys.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { keyTasks, type ListedKey } from './keyTasks.ts';

	interface Props {
		keys: KeyMap;
		onclose: () => void;
	}

	let { keys, onclose }: Props = $props();

	let single = $state(singleKeys.on);

	/**
	 * Keys of the sheet's editor with the caret in it, in addition to those of every text field
	 * (`editor/extensions.ts`).
	 */
	const IN_SHEET = [
		['Alt ↑ ↓', 'Change the number at the caret by 1; with Shift by 10, with Ctrl by 0.1'],
		['Alt ↑ ↓ elsewhere', 'Move the line up or down'],
		['Alt and drag', 'The same, with the pointer on a number'],
		['Esc', 'Restore the number, while one is changed'],
		['Ctrl Space', 'What can be written here'],
		['Ctrl F', 'Find and replace in this file'],
		['F3, Shift F3', 'Next place found, previous one'],
		['Ctrl D', 'Select the next place like the selection too'],
		['Ctrl Shift K', 'Delete the line'],
		['Ctrl Shift [ ]', 'Fold the block, unfold it'],
		['Ctrl /', 'Toggle comment'],
		['Alt . Alt ,', 'Next rule in force here, or the previous one'],
		['Alt PgUp PgDn', 'Move the rule up or down, with its comment'],
		['Alt Enter', 'Go to the definition of the custom property at the caret'],
		['Tab, Shift Tab', 'Indent, outdent'],
		['Esc', 'Leave the text: single keys act; Enter or E goes in again']
	] as const;

	const tasks = $derived(keyTasks(keys));

	function act(close: () => void, { action, shift }: ListedKey): void {
		close();
		performAction(action, shift);
	}
</script>

<Dialog title="Keys" {onclose}>
	{#snippet children(close)}
		<div class="tasks">
			{#each tasks as { title, keys: own } (title)}
				<table>
					<caption>{title}</caption>
					<tbody>
						{#each own as listed (`${listed.key} ${listed.shift}`)}
							<tr>
								<th scope="row"><kbd>{listed.shift ? 'Shift ' : ''}{shownKey(listed.key)}</kbd></th>
								<td><button type="button" onclick={() => act(close, listed)}>{listed.name}</button></td>
							</tr>
						{/each}
					</tbody>
				</table>
			{/each}
			<table>
				<caption>With the caret in the sheet</caption>
				<tbody>
					{#each IN_SHEET as [key, words] (words)}
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
	.tasks {
		columns: 24rem 2;
		column-gap: 2rem;
		margin: 0.75rem 0;
	}

	table {
		width: 100%;
		margin-bottom: 1rem;
		border-collapse: collapse;
		break-inside: avoid;
	}

	caption {
		padding-bottom: 0.125rem;
		font-weight: 600;
		text-align: left;
	}

	th {
		width: 5.75rem;
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
