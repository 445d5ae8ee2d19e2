<script lang="ts">
	import { beforeNavigate, goto } from '$app/navigation';
	import { untrack, type Snippet } from 'svelte';
	import BenchNav from '$lib/bench/BenchNav.svelte';
	import { provideBatch } from '$lib/session/batch-session.svelte';

	let { data, children }: { data: import('./$types').LayoutData; children: Snippet } = $props();
	const session = provideBatch(untrack(() => data.stored));
	// What is not stored yet lives on this page alone.
	beforeNavigate((navigation) => {
		const stays = navigation.to?.params?.['batch'] === session.id;
		if (session.unsent === 0 || stays) return;
		navigation.cancel();
		const { to } = navigation;
		void session.store().then(() => {
			// eslint-disable-next-line svelte/no-navigation-without-resolve -- where they were going
			if (to && session.unsent === 0) void goto(to.url);
		});
	});
</script>

<div class="page">
	<BenchNav batch={{ id: session.id, name: session.batch.name }} />
	{#if session.problem}
		<div class="notice no-print" data-kind="error" role="alert">
			<p>Not stored yet: {session.problem}</p>
			<button type="button" class="act-plain" onclick={() => session.store()}>Store again</button>
		</div>
	{/if}
	{@render children()}
</div>
