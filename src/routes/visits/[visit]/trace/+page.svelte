<script lang="ts">
	import { resolve } from '$app/paths';
	import CauseLine from '$lib/ui/CauseLine.svelte';
	import PossibleBar from '$lib/ui/PossibleBar.svelte';
	import StringDrawing from '$lib/ui/StringDrawing.svelte';
	import TestCard from '$lib/ui/TestCard.svelte';
	import { WHO_DECIDES } from '$core/rules/cautions';
	import { findingsOf } from '$lib/ui/findings';
	import { useVisit } from '$lib/ui/visit-session.svelte';

	const session = useVisit();
	const findings = $derived(findingsOf(session.assessment, session.document.record));
	const healthy = $derived(
		session.assessment.causes.find((cause) => cause.members[0].code === 'healthy')
	);
	const quiet = $derived(
		session.document.record.strings.filter(
			(string) => !findings.some((finding) => finding.string?.id === string.id)
		)
	);
</script>

<svelte:head><title>Trace · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	{#if session.assessment.noCauses}
		<h1>Nothing to trace yet</h1>
		<p>{session.assessment.noCauses}</p>
		<p class="next">
			<a class="act" href={resolve('/visits/[visit]/measure', { visit: session.document.visit.id })}
				>To the readings</a
			>
		</p>
	{:else}
		<h1>
			{#if findings.length === 0}Nothing wrong that these readings can show
			{:else}What is to blame{/if}
		</h1>
		<p class="soft lead">
			Chances from all readings together, the strings each other’s yardstick. That nothing at all is
			wrong:
			<span class="figure"
				>{(100 * (healthy?.probability ?? 0)).toFixed(healthy && healthy.probability > 0.1 ? 0 : 1)} %</span
			>.
			{WHO_DECIDES}
		</p>

		{#each session.assessment.warnings as warning (warning)}<p class="notice">{warning}</p>{/each}
		{#each findings as finding (finding.key)}
			<article class="panel" data-finding={finding.string?.label ?? 'all'}>
				<header>
					<h2>
						<span class="figure">{finding.string?.label ?? 'All'}</span>
						{finding.headline}
					</h2>
					{#if finding.perhaps}<p class="perhaps">{finding.perhaps}</p>{/if}
					{#if finding.string}
						<a
							class="curve"
							href={resolve('/visits/[visit]/strings/[string]', {
								visit: session.document.visit.id,
								string: finding.string.id
							})}>Its curve, and what if</a
						>
					{/if}
					{#if finding.string}
						<StringDrawing
							modules={finding.string.moduleCount}
							fuse={finding.string.fuse}
							suspects={finding.causes[0]?.members.map((m) => m.code) ?? []}
						/>
					{/if}
				</header>
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
						<h3>Measure next</h3>
						{#each finding.tests as test, t (test.title)}<TestCard {test} open={t === 0} />{/each}
					</div>
				</div>
			</article>
		{/each}

		{#if quiet.length > 0}
			<h2 class="sub">No cause above one in fifty</h2>
			<p class="figure">{quiet.map((string) => string.label).join('  ')}</p>
		{/if}
		<h2 class="sub">Not tested</h2>
		<ul class="untested">
			{#each session.assessment.untested as words (words)}<li>{words}</li>{/each}
		</ul>
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	.lead {
		max-width: 78ch;
		margin: 0.3rem 0 1.25rem;
	}

	.next {
		margin-top: 1rem;
	}

	.notice {
		margin-bottom: 1.1rem;
	}

	article {
		padding: 1rem 1.25rem 1.25rem;
		margin-bottom: 1.1rem;
		display: grid;
		gap: 0.8rem;
	}

	header {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		align-items: center;
		gap: 0.5rem 1.5rem;
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

	.curve {
		display: inline-flex;
		align-items: center;
		min-height: 44px;
	}

	.perhaps {
		order: 3;
		flex-basis: 100%;
	}

	.sub {
		margin: 1.5rem 0 0.4rem;
		font-size: 1.1rem;
	}

	.untested {
		list-style: square;
		padding-inline-start: 1.2rem;
		max-width: 78ch;
	}

	@media (max-width: 900px) {
		.split {
			grid-template-columns: 1fr;
		}
	}

	@media (max-width: 560px) {
		header :global(svg) {
			max-width: 100%;
		}
	}
</style>
