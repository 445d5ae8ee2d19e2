<script lang="ts">
	import { resolve } from '$app/paths';
	import SubNav from '$lib/ui/SubNav.svelte';

	interface Props {
		pile: { readonly id: string; readonly name: string };
	}
	let { pile }: Props = $props();
	const stops = $derived([
		{ path: resolve('/bench/piles/[pile]', { pile: pile.id }), words: 'Test' },
		{ path: resolve('/bench/piles/[pile]/group', { pile: pile.id }), words: 'Group' },
		{ path: resolve('/bench/piles/[pile]/mix', { pile: pile.id }), words: 'Mix' },
		{ path: resolve('/bench/piles/[pile]/stickers', { pile: pile.id }), words: 'Stickers' }
	]);
</script>

<SubNav label="The pile" {stops}>
	{#snippet crumb()}<a href={resolve('/bench')}>Bench</a> / <strong>{pile.name}</strong>{/snippet}
</SubNav>
