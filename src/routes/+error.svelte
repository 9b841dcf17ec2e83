<script lang="ts">
	import { page } from '$app/state';
</script>

<main>
	<h1>{page.status === 404 ? 'Not here' : 'That did not work'}</h1>
	<p>{page.error?.message}</p>
	<p>Nothing you wrote is lost: every change is kept on the server as a draft.</p>
	<p><a href="/" data-sveltekit-reload>Go to your sites</a></p>
</main>

<style>
	main {
		display: grid;
		align-content: center;
		gap: 0.75rem;
		max-width: 35rem;
		min-height: 100%;
		margin: 0 auto;
	}

	a {
		color: var(--blue);
	}
</style>
