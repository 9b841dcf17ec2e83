<script lang="ts">
	import { dismiss, notices } from '$lib/session/notices.svelte.ts';
	import Button from '$lib/ui/Button.svelte';

	const [first] = $derived(notices.list);
</script>

{#if first}
	<p role="status">
		{first}
		<Button look="quiet" onclick={dismiss}>Understood</Button>
	</p>
{/if}
