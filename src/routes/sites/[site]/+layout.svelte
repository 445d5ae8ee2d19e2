<script lang="ts">
	import { untrack, type Snippet } from 'svelte';
	import RecordBar from '$lib/ui/RecordBar.svelte';
	import SiteNav from '$lib/ui/SiteNav.svelte';
	import { provideRecord, RecordSession } from '$lib/ui/record-session.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	// svelte-ignore state_referenced_locally
	const session = provideRecord(new RecordSession(data.site.id, data.revision));
	$effect(() => {
		const { revision } = data;
		untrack(() => session.replace(revision));
	});
</script>

<!-- A tab that is closed with changes not stored yet would lose them. -->
<svelte:window
	onbeforeunload={(event) => {
		if (session.pending) event.preventDefault();
	}}
/>

<SiteNav site={data.site} />
<RecordBar {session} />
{@render children()}
