<script lang="ts">
	import CauseLine from '$lib/ui/CauseLine.svelte';
	import type { Finding } from '$lib/text/findings';
	import PossibleBar from '$lib/ui/PossibleBar.svelte';
	import TestCard from '$lib/ui/TestCard.svelte';
	import type { VisitSession } from '$lib/session/visit-session.svelte';

	interface Props {
		session: VisitSession;
		findings: readonly Finding[];
		/** Takes a test of a finding, one at a time. */
		ontake: (finding: string, test: string) => void;
	}
	let { findings, ontake }: Props = $props();
	/** Of each finding so many tests are listed. */
	const LISTED = 6;
</script>

{#each findings as finding (finding.key)}
	<article class="panel" data-finding={finding.name}>
		<h2>
			<span class="figure">{finding.name}</span>
			{finding.headline}
		</h2>
		{#if finding.where}<p><strong>{finding.where}</strong></p>{/if}
		{#if finding.perhaps}<p>{finding.perhaps}</p>{/if}
		<PossibleBar causes={finding.causes} />
		<div class="split">
			<div>
				{#each finding.causes as cause, c (cause.id)}<CauseLine
						{cause}
						open={c === 0}
						alone={finding.causes.length === 1}
					/>{/each}
			</div>
			<div>
				<h3>Tests, most useful first</h3>
				{#each finding.tests.slice(0, LISTED) as test (test.key)}
					<TestCard {test} onchoose={() => ontake(finding.key, test.key)} />
				{:else}
					<p class="soft">No test of the record’s places would tell more.</p>
				{/each}
			</div>
		</div>
	</article>
{/each}

<style>
	article {
		padding: 1rem 1.25rem 1.25rem;
		margin-bottom: 1.1rem;
		display: grid;
		gap: 0.7rem;
	}

	h2 {
		font-size: 1.25rem;
	}

	h2 .figure {
		display: inline-block;
		margin-inline-end: 0.5rem;
		padding: 0 0.45rem;
		border: var(--stroke) solid var(--ink);
		border-radius: 3px;
	}

	h3 {
		font-size: 1rem;
		margin-bottom: 0.3rem;
	}

	.split {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.5rem 2rem;
	}

	@media (max-width: 900px) {
		.split {
			grid-template-columns: 1fr;
		}
	}
</style>
