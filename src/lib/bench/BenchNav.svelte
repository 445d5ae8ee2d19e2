<script lang="ts">
	import { resolve } from '$app/paths';
	import SubNav from '$lib/ui/SubNav.svelte';

	interface Props {
		batch: { readonly id: string; readonly name: string };
	}
	let { batch }: Props = $props();
	const stops = $derived([
		{ path: resolve('/bench/batches/[batch]', { batch: batch.id }), words: 'Test' },
		{ path: resolve('/bench/batches/[batch]/group', { batch: batch.id }), words: 'Group' },
		{ path: resolve('/bench/batches/[batch]/configuration', { batch: batch.id }), words: 'Mix' },
		{ path: resolve('/bench/batches/[batch]/stickers', { batch: batch.id }), words: 'Stickers' }
	]);
</script>

<SubNav label="The batch" {stops}>
	{#snippet crumb()}<a href={resolve('/bench')}>Bench</a> / <strong>{batch.name}</strong>{/snippet}
</SubNav>
