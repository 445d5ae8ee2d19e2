<script lang="ts">
	import { untrack, type Snippet } from 'svelte';
	import { page } from '$app/state';
	import { provideSpeak } from '$lib/messages/speak-context';
	import { loadAnew } from '$lib/session/load-anew';
	import RecordBar from '$lib/ui/RecordBar.svelte';
	import SiteNav from '$lib/ui/SiteNav.svelte';
	import { provideRecord, RecordSession } from '$lib/session/record-session.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	// svelte-ignore state_referenced_locally
	const session = provideRecord(new RecordSession(data.site.id, data.revision));
	provideSpeak(() => session.record.rules);
	$effect(() => {
		const { revision } = data;
		untrack(() => session.replace(revision));
	});

	/** Rooms that change the record and read it from the session: there the rest need not be fetched anew. */
	const CHANGES = /\/(array-record|survey|map|lists)/;
	// What the server worked out from the record of before is fetched anew where it is shown.
	$effect(() => {
		const behind = session.number > data.revision.number && !session.pending;
		if (behind && !CHANGES.test(page.route.id ?? '')) void loadAnew('site:record');
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
<div id="room">{@render children()}</div>
