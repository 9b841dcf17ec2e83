<script lang="ts">
	import { classesOursFirst, type PageNames } from '$lib/core/site/index.ts';
	import { getSite } from '$lib/session/context.ts';

	interface Props {
		/** The id by which a field refers to the list. */
		id: string;
		/** Undefined until they are known. */
		names: PageNames | undefined;
	}

	let { id, names }: Props = $props();
	const { given } = $derived(getSite());
	const classes = $derived(names ? classesOursFirst(names, (file) => given.has(file)) : []);
</script>

<datalist {id}>
	{#each classes as name (name)}<option value={name}></option>{/each}
</datalist>
