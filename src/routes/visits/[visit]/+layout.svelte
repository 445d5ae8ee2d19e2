<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { provideSpeak } from '$lib/messages/speak-context';
	import { loadAnew } from '$lib/session/load-anew';
	import RecordChanged from '$lib/ui/RecordChanged.svelte';
	import SkyStrip from '$lib/ui/SkyStrip.svelte';
	import StageRail from '$lib/ui/StageRail.svelte';
	import { provideVisit, VisitSession } from '$lib/session/visit-session.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();
	// svelte-ignore state_referenced_locally
	const session = provideVisit(new VisitSession(data.document, data.assessment, data.now));
	provideSpeak(() => session.document.record.rules);
	let sky = $state(0);
	let deaf = () => {};
	const hear = () => (deaf = session.hear(data.told, () => loadAnew()));
	onMount(() => {
		const clock = setInterval(() => session.tick(), 1000);
		hear();
		return () => {
			clearInterval(clock);
			deaf();
		};
	});
	/** Back from the browser's store of pages that were left, with what was missed meanwhile. */
	function comeBack({ persisted }: PageTransitionEvent): void {
		if (!persisted) return;
		hear();
		void loadAnew();
	}
	// Only what the server sends replaces the session, not a change of the session itself.
	$effect(() => {
		const { document, assessment, now } = data;
		untrack(() => {
			session.replace(document, assessment);
			session.setClock(now);
		});
	});
</script>

<!-- A tab that is closed with readings not stored yet would lose them. -->
<!-- A page that is left for another keeps no line open: a browser has six to a server, and waits when they are gone. -->
<svelte:window
	onpagehide={() => deaf()}
	onpageshow={comeBack}
	onbeforeunload={(event) => {
		if (session.pending) event.preventDefault();
	}}
/>

<div class="visit">
	<StageRail {session} />
	<div class="stage" id="room" style:--sky="{sky}px">
		<SkyStrip {session} now={data.now} bind:height={sky} />
		{#if data.newestRevision > session.document.revision.number}
			<RecordChanged {session} newest={data.newestRevision} />
		{/if}
		{@render children()}
	</div>
</div>

<style>
	.visit {
		display: grid;
		grid-template-columns: 11.5rem minmax(0, 1fr);
		min-height: calc(100dvh - 57px);
	}

	@media (max-width: 900px) {
		.visit {
			grid-template-columns: minmax(0, 1fr);
			min-height: 0;
		}
	}

	@media print {
		.visit {
			display: block;
		}
	}
</style>
