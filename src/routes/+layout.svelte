<script lang="ts">
	import '@fontsource-variable/atkinson-hyperlegible-next';
	import '@fontsource-variable/fraunces';
	import '@fontsource-variable/jetbrains-mono';
	import '$lib/ui/tokens.css';
	import { notify } from '$lib/session/notices.svelte.ts';

	let { children, data } = $props();

	$effect(() => {
		if (data.notice) notify(data.notice);
	});
</script>

{@render children()}
