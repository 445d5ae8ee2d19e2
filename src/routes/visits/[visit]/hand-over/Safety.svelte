<script lang="ts">
	import { OWN_PROCEDURE } from '$core/rules/making-safe/gate';
	import { notProved, standingSafety } from '$core/rules/making-safe/progress';
	import { makingSafe } from '$core/rules/making-safe/sequence';
	import type { VisitSession } from '$lib/ui/visit-session.svelte';
	import { dayAndTime } from '$lib/ui/when';

	let { session }: { session: VisitSession } = $props();
	const { record, visit, site } = $derived(session.document);
	const own = $derived(standingSafety(visit.safety).get(OWN_PROCEDURE) ?? null);
	const making = $derived(makingSafe(record, visit, session.places, 'dead', session.now));
	const all = $derived([...making.arrival, ...making.down, ...making.up]);
	const settled = $derived(all.filter(({ entry }) => entry !== null));
	const open = $derived(notProved([...making.arrival, ...making.down]));
</script>

<section>
	<h2>Making safe</h2>
	{#if own}
		<p>
			{own.by} answered for a written procedure of their own, {dayAndTime(own.at, site.timeZone)}:
			nothing of it was proved here.
		</p>
	{:else if settled.length === 0}
		<p>No step was taken in this visit.</p>
	{:else}
		<ul>
			{#each settled as { step, entry } (step.key)}
				<li>
					{step.title}{#if step.proof && entry && entry.value !== null}:
						<span class="figure">{entry.value} {step.proof.unit}</span>{/if}
					<span class="soft">{entry ? dayAndTime(entry.at, site.timeZone) : ''}, {entry?.by}</span>
				</li>
			{/each}
		</ul>
		{#each open as words (words)}<p class="open">{words}</p>{/each}
	{/if}
</section>

<style>
	h2 {
		font-size: 1.15rem;
	}

	ul {
		columns: 2;
		font-size: 0.95rem;
	}

	li {
		break-inside: avoid;
		padding: 0.1rem 0;
	}

	@media (max-width: 760px) {
		ul {
			columns: 1;
		}
	}
</style>
