<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import SubNav from '$lib/ui/SubNav.svelte';
	import { provideWatch, WatchSession } from '$lib/watch/watch-session.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	// svelte-ignore state_referenced_locally
	const session = provideWatch(new WatchSession(data.site.id));
	const site = $derived({ site: data.site.id });
	const stops = $derived([
		{ path: resolve('/sites/[site]/watch', site), words: 'Underperforming units' },
		{ path: resolve('/sites/[site]/watch/course', site), words: 'Course' },
		{ path: resolve('/sites/[site]/watch/clipping', site), words: 'Clipping' },
		{ path: resolve('/sites/[site]/watch/expected', site), words: 'Expected' },
		{ path: resolve('/sites/[site]/watch/benchmark', site), words: 'Benchmark days' },
		{ path: resolve('/sites/[site]/watch/exports', site), words: 'Exports' },
		{ path: resolve('/sites/[site]/watch/settings', site), words: 'Settings' }
	]);
	/** What the analysis hangs on: another export, another match, another place. */
	const basis = $derived(
		JSON.stringify([
			data.imports.map(({ id }) => id),
			data.units.map(({ name, target }) => [name, target]),
			data.settings.latitude,
			data.settings.longitude,
			data.revision.id
		])
	);
	onMount(() => () => session.stop());
	$effect(() => {
		if (basis && data.span) untrack(() => void session.look());
	});
</script>

<div class="page">
	<SubNav label="Rooms of the watch" {stops}>
		{#snippet crumb()}<strong>Watch</strong>{/snippet}
	</SubNav>
	{@render children()}
</div>
