<script lang="ts">
	import '@fontsource-variable/atkinson-hyperlegible-next';
	import '@fontsource-variable/fraunces';
	import '@fontsource-variable/jetbrains-mono';
	import '$lib/ui/tokens.css';

	let { children } = $props();
</script>

{@render children()}
