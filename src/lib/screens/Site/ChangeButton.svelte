<script lang="ts">
	interface Props {
		path: string;
		onclick: () => void;
	}

	let { path, onclick }: Props = $props();
</script>

<button
	type="button"
	aria-label="change… rename, copy or delete {path}"
	title="Rename, copy or delete"
	{onclick}>change…</button
>

<style>
	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		font-size: 0.8125rem;
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
</style>
