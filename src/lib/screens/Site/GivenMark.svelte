<script lang="ts">
	import type { Result } from '$lib/core/text/index.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';

	interface Props {
		site: SiteState;
		path: string;
	}

	let { site, path }: Props = $props();

	const mark = (on: boolean): Promise<Result> =>
		site.kept.given.keep(
			(list) => [...list.filter((one) => one.path !== path), ...(on ? [{ path }] : [])],
			on ? `${path} is given` : `${path} is ours`
		);
</script>

<label title="Supplied from outside: read-only">
	<input
		type="checkbox"
		aria-label="{path} is given"
		checked={site.given.has(path)}
		onchange={({ currentTarget }) => mark(currentTarget.checked)}
	/> given
</label>

<style>
	label {
		display: inline-flex;
		gap: 0.375rem;
		align-items: center;
		min-height: 1.5rem;
	}
</style>
