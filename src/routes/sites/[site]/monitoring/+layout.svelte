<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import SubNav from '$lib/ui/SubNav.svelte';
	import { provideWatch, MonitoringSession } from '$lib/session/monitoring-session.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	// svelte-ignore state_referenced_locally
	const session = provideWatch(new MonitoringSession(data.site.id));
	const site = $derived({ site: data.site.id });
	const stops = $derived([
		{ path: resolve('/sites/[site]/monitoring', site), words: 'Underperforming units' },
		{ path: resolve('/sites/[site]/monitoring/course', site), words: 'Course' },
		{ path: resolve('/sites/[site]/monitoring/clipping', site), words: 'Clipping' },
		{ path: resolve('/sites/[site]/monitoring/expected', site), words: 'Expected' },
		{ path: resolve('/sites/[site]/monitoring/benchmark', site), words: 'Benchmark days' },
		{ path: resolve('/sites/[site]/monitoring/exports', site), words: 'Exports' },
		{ path: resolve('/sites/[site]/monitoring/settings', site), words: 'Settings' }
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
		{#snippet crumb()}<strong>Monitoring</strong>{/snippet}
	</SubNav>
	{@render children()}
</div>
