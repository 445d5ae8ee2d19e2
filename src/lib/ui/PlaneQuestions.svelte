<script lang="ts">
	import { rangesOfIds } from '$core/record';
	import { resolve } from '$app/paths';
	import type { VisitSession } from '../session/visit-session.svelte';

	let { session }: { session: VisitSession } = $props();

	const { questions } = $derived(session.assessment);
	const site = $derived(session.document.site.id);
	const labels = (ids: readonly string[]) => rangesOfIds(session.document.record, ids);
</script>

{#each questions as { strings }, i (i)}
	<p class="notice" data-question="other-plane">
		Do {labels(strings.at(-1)!)} face another way than {labels(strings[0]!)}? Their currents suggest
		it, and the record does not say. Until then each set is compared with itself alone.
		<a href={resolve('/sites/[site]/map', { site })}>Record tilt and azimuth on the map</a>
	</p>
{/each}

<style>
	.notice {
		margin-bottom: 0.8rem;
	}
</style>
