<script lang="ts">
	import Welcome from '$lib/screens/Welcome/Welcome.svelte';
</script>

<Welcome />
