<script lang="ts">
	import { page } from '$app/state';
	import { resolve } from '$app/paths';
	import { FAULT_CODES, type FaultCode } from '$core/visit';
	import { repairCases, verdictsOf } from '$core/repair';
	import { WHO_DECIDES } from '$core/isolation';
	import { causeWords } from '$core/diagnosis';
	import { afterPaint } from '$lib/ui/after-paint.svelte';
	import { findingsOf } from '$lib/text/findings';
	import { useVisit } from '$lib/session/visit-session.svelte';
	import CaseCard from './CaseCard.svelte';
	import RepairForm from './RepairForm.svelte';
	import { placeOfCause } from './place-of-cause';
	import { useSpeak } from '$lib/messages/speak-context';

	const speak = useSpeak();

	const session = useVisit();
	const record = $derived(session.document.record);
	const visit = $derived(session.document.visit);
	const cases = $derived(repairCases(record, visit, verdictsOf(session.assessment)));
	const findings = $derived(
		findingsOf(session.assessment, record).filter(({ causes }) =>
			(FAULT_CODES as readonly string[]).includes(causes[0]!.members[0].code)
		)
	);
	const asked = page.url.searchParams.get('at');
	let openKey = $state<string | null>(asked);
	let byHand = $state(false);
	/** A form takes a while to draw: what was pressed shows before it. */
	const shown = afterPaint(() => ({ openKey, byHand }), { openKey: asked, byHand: false });
	const open = $derived(findings.find(({ key }) => key === shown.current.openKey) ?? null);
</script>

<svelte:head><title>Put right · {session.document.site.name} · Zembo</title></svelte:head>

<div class="page">
	<h1>Repair</h1>
	<p class="soft lead">
		What was found, what was done about it, and the readings that prove it. A cause is closed by its
		readings, not by a tick. {speak(WHO_DECIDES)}
	</p>

	{#if findings.length > 0}
		<section aria-label="Found">
			<h2>Probable causes without a repair</h2>
			<ul class="found">
				{#each findings as finding (finding.key)}
					{@const member = finding.causes[0]!.members[0]}
					<li>
						<span class="figure name">{finding.name}</span>
						<span>
							<strong>{causeWords(member.code)}</strong>{finding.where ? `, ${finding.where}` : ''}
							<span class="figure soft">{Math.round(100 * member.probability)} %</span>
						</span>
						<button
							type="button"
							class="act-plain"
							aria-expanded={openKey === finding.key}
							onclick={() => (openKey = openKey === finding.key ? null : finding.key)}
							>What was done</button
						>
					</li>
				{/each}
			</ul>
		</section>
	{/if}

	{#if open}
		{#key open.key}
			<RepairForm
				{session}
				code={open.causes[0]!.members[0].code as FaultCode}
				place={placeOfCause(record, open.causes[0]!.members[0])}
				chance={open.causes[0]!.members[0].probability}
				onstored={() => (openKey = null)}
			/>
		{/key}
	{/if}

	<p hidden={byHand}>
		<button type="button" class="act-plain" onclick={() => (byHand = true)}
			>Record something else that was done</button
		>
	</p>
	{#if shown.current.byHand}
		<RepairForm
			{session}
			code={null}
			place={{ kind: 'array' }}
			chance={null}
			onstored={() => (byHand = false)}
		/>
	{/if}

	{#if cases.length > 0}
		<h2>Done</h2>
		{#each cases as one (one.key)}
			<CaseCard {session} {one} />
		{/each}
		<p class="restore">
			<a class="act" href={resolve('/visits/[visit]/isolation', { visit: visit.id })}
				>Back on, step by step</a
			>
			<a href={resolve('/sites/[site]/history', { site: session.document.site.id })}
				>What failed at this site before</a
			>
		</p>
	{:else if findings.length === 0}
		<p class="notice">Nothing is found, and nothing was done.</p>
	{/if}
</div>

<style>
	h1 {
		font-size: 1.8rem;
	}

	h2 {
		font-size: 1.2rem;
		margin: 1.3rem 0 0.4rem;
	}

	.lead {
		max-width: 78ch;
	}

	.found {
		border-top: var(--stroke) solid var(--rule);
	}

	.found li {
		display: grid;
		grid-template-columns: auto minmax(0, 1fr) auto;
		align-items: center;
		gap: 0.3rem 0.9rem;
		padding: 0.5rem 0;
		border-bottom: 1px solid var(--line);
	}

	.name {
		padding: 0.1rem 0.45rem;
		border: var(--stroke) solid var(--ink);
		border-radius: 3px;
		font-weight: 650;
	}

	p {
		margin-block: 0.6rem;
	}

	.restore {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.6rem 1.4rem;
		margin-top: 1.2rem;
	}

	@media (max-width: 560px) {
		.found li {
			grid-template-columns: auto minmax(0, 1fr);
		}

		.found button {
			grid-column: 1 / -1;
		}
	}
</style>
