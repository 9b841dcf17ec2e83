<script lang="ts">
	import { performAction, singleKeys, type Action, type KeyMap } from '$lib/state/keys.ts';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		keys: KeyMap;
		onclose: () => void;
	}

	let { keys, onclose }: Props = $props();

	let dialog: HTMLDialogElement;
	let single = $state(singleKeys.on);

	$effect(() => dialog.showModal());

	/** Keys of the sheet's editor, which act with the caret in it. */
	const IN_SHEET = [
		['Alt ↑ ↓', 'Number at the caret by 1; with Shift by 10, with Ctrl by 0.1'],
		['Alt and drag', 'The same, with the pointer on a number'],
		['Esc', 'Number as it was before'],
		['Ctrl F', 'Find and replace in this file'],
		['Ctrl Z, Ctrl Y', 'Undo, redo'],
		['Ctrl /', 'Comment in or out'],
		['Tab, Shift Tab', 'Indent, outdent'],
		['Esc, then Tab', 'Leave the sheet']
	] as const;

	const shown = (key: string): string => (key === 'save' ? 'Ctrl S' : key.toUpperCase());

	function act(action: Action, shift = false): void {
		dialog.close();
		performAction(action, shift);
	}
</script>

<dialog bind:this={dialog} {onclose} aria-labelledby="keys-title">
	<h2 id="keys-title">Keys</h2>
	<div class="two">
		<table>
			<tbody>
				{#each Object.entries(keys) as [key, action] (key)}
					<tr>
						<th scope="row"><kbd>{shown(key)}</kbd></th>
						<td><button type="button" onclick={() => act(action)}>{action.name}</button></td>
					</tr>
					{#if action.withShift}
						<tr>
							<th scope="row"><kbd>Shift {shown(key)}</kbd></th>
							<td><button type="button" onclick={() => act(action, true)}>{action.withShift}</button></td>
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
	<Button onclick={() => dialog.close()}>Close</Button>
</dialog>

<style>
	dialog {
		width: min(860px, 94vw);
		max-height: 92vh;
		padding: 20px 24px;
		border: 1px solid var(--ink);
		background: var(--sheet);
		color: var(--ink);
	}

	dialog::backdrop {
		background: rgb(0 0 0 / 0.35);
	}

	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 32px;
		margin: 12px 0;
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
		padding-right: 14px;
		text-align: left;
		white-space: nowrap;
	}

	td,
	th {
		height: 26px;
		border-bottom: 1px solid var(--hair);
		font-weight: 400;
	}

	kbd {
		font: 13px/1.2 var(--mono);
	}

	button {
		min-height: 24px;
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
		gap: 8px;
		align-items: center;
		margin-bottom: 14px;
	}

	input {
		width: 16px;
		height: 16px;
		margin: 0;
		accent-color: var(--ink);
	}
</style>
